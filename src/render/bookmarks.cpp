#include "render/bookmarks.h"

#define POINTERHOLDER_TRANSITION 4  // the library's own shared pointers are the standard ones
#include <qpdf/QPDF.hh>
#include <qpdf/QPDFPageDocumentHelper.hh>
#include <qpdf/QPDFWriter.hh>

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

}  // namespace

std::string withBookmarks(const std::string& bytes, const std::vector<PackBookmark>& bookmarks) {
  QPDF pdf;
  pdf.setSuppressWarnings(true);
  pdf.processMemoryFile("pack", bytes.data(), bytes.size());
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
  return {reinterpret_cast<const char*>(buffer->getBuffer()), buffer->getSize()};
}

}  // namespace mezzet
