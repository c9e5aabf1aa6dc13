#include "render/pack_pdf.h"

#include "render/bookmarks.h"
#include "render/pdf.h"

namespace mezzet {
namespace {

Error notMade(const std::string& title) {
  return {title, "could not be made into a PDF", "There may be too little memory"};
}

}  // namespace

Result<QByteArray> packPdf(const Pack& pack, const std::string& title, const ImageStore* images) {
  if (pack.pages.empty()) return notMade(title);
  const QByteArray bytes = sheetPdf(pack.pages, title, images);
  if (bytes.isEmpty()) return notMade(title);
  try {
    return QByteArray::fromStdString(withBookmarks(bytes.toStdString(), pack.bookmarks));
  } catch (const std::exception&) {
    return notMade(title);
  }
}

Result<std::vector<std::string>> contentPdfs(const Pack& pack, const std::string& title, const ImageStore* images) {
  std::vector<std::string> out;
  for (const PackContent& c : pack.contents) {
    const auto from = pack.pages.begin() + (c.first - 1);
    const QByteArray bytes = sheetPdf(std::vector<Sheet>(from, from + c.pages), title, images);
    if (bytes.isEmpty()) return notMade(title);
    out.push_back(bytes.toStdString());
  }
  return out;
}

}  // namespace mezzet
