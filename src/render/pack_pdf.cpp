#include "render/pack_pdf.h"

#define POINTERHOLDER_TRANSITION 4  // the library's own shared pointers are the standard ones
#include <qpdf/QPDF.hh>
#include <qpdf/QPDFPageDocumentHelper.hh>
#include <qpdf/QPDFWriter.hh>
#include <string>

#include "render/pdf.h"

namespace mezzet {
namespace {

/// Text of a PDF: UTF-16 with its mark where it is not plain.
QPDFObjectHandle words(const std::string& text) { return QPDFObjectHandle::newUnicodeString(text); }

struct Outline {
  QPDFObjectHandle item;
  std::vector<Outline> under;
};

/// Links the items of one level to each other and to what they stand under; the count is of all that is below.
int link(QPDFObjectHandle parent, std::vector<Outline>& items) {
  int count = 0;
  for (std::size_t i = 0; i < items.size(); ++i) {
    QPDFObjectHandle item = items[i].item;
    item.replaceKey("/Parent", parent);
    if (i > 0) item.replaceKey("/Prev", items[i - 1].item);
    if (i + 1 < items.size()) item.replaceKey("/Next", items[i + 1].item);
    count += 1 + (items[i].under.empty() ? 0 : link(item, items[i].under));
  }
  parent.replaceKey("/First", items.front().item);
  parent.replaceKey("/Last", items.back().item);
  parent.replaceKey("/Count", QPDFObjectHandle::newInteger(count));
  return count;
}

QByteArray withBookmarks(const QByteArray& bytes, const std::vector<PackBookmark>& bookmarks) {
  QPDF pdf;
  pdf.setSuppressWarnings(true);
  pdf.processMemoryFile("pack", bytes.constData(), static_cast<std::size_t>(bytes.size()));
  const auto pages = QPDFPageDocumentHelper(pdf).getAllPages();
  std::vector<Outline> top;
  for (const PackBookmark& mark : bookmarks) {
    if (mark.page < 0 || static_cast<std::size_t>(mark.page) >= pages.size()) continue;
    QPDFObjectHandle item = pdf.makeIndirectObject(QPDFObjectHandle::newDictionary());
    item.replaceKey("/Title", words(mark.title));
    QPDFObjectHandle to = QPDFObjectHandle::newArray();
    to.appendItem(pages[static_cast<std::size_t>(mark.page)].getObjectHandle());
    to.appendItem(QPDFObjectHandle::newName("/Fit"));
    item.replaceKey("/Dest", to);
    if (mark.level > 0 && !top.empty()) top.back().under.push_back({item, {}});
    else top.push_back({item, {}});
  }
  if (!top.empty()) {
    QPDFObjectHandle root = pdf.makeIndirectObject(QPDFObjectHandle::newDictionary());
    root.replaceKey("/Type", QPDFObjectHandle::newName("/Outlines"));
    link(root, top);
    pdf.getRoot().replaceKey("/Outlines", root);
    pdf.getRoot().replaceKey("/PageMode", QPDFObjectHandle::newName("/UseOutlines"));
  }
  QPDFWriter writer(pdf);
  writer.setOutputMemory();
  writer.setStaticID(true);  // the same pack gives the same bytes, but for the dates of its making
  writer.write();
  const auto buffer = writer.getBufferSharedPointer();
  return {reinterpret_cast<const char*>(buffer->getBuffer()), static_cast<qsizetype>(buffer->getSize())};
}

Error notMade(const std::string& title) {
  return {title, "could not be made into a PDF", "There may be too little memory"};
}

}  // namespace

Result<QByteArray> packPdf(const Pack& pack, const std::string& title, const ImageStore* images) {
  if (pack.pages.empty()) return notMade(title);
  const QByteArray bytes = sheetPdf(pack.pages, title, images);
  if (bytes.isEmpty()) return notMade(title);
  try {
    return withBookmarks(bytes, pack.bookmarks);
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
