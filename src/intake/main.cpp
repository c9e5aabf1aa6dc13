// mezzet-intake: reads one PDF from standard input and says on standard output how many pages it has, or paints one. It
// is a program of its own so that a hostile file can do no more than end it: bounded in time and memory, it writes no
// file.
//
//   mezzet-intake pages      pages N
//   mezzet-intake page N     picture png WIDTH HEIGHT, then the bytes
// or, for either, refused, a line that says why and a line that says what to do.
#include <sys/resource.h>

#include <QGuiApplication>
#include <csignal>
#include <cstdio>

#include "render/pdf_page.h"

namespace {

constexpr rlim_t kMostSeconds = 12;

void bound(int what, rlim_t most) {
  const rlimit limit{most, most};
  ::setrlimit(what, &limit);
}

int refuse(const mezzet::Error& fault) {
  std::printf("refused\n%s\n%s\n", fault.what.c_str(), fault.hint.c_str());
  return 0;
}

}  // namespace

int main(int argc, char** argv) {
  bound(RLIMIT_CPU, kMostSeconds);
  bound(RLIMIT_FSIZE, 0);
  ::signal(SIGXFSZ, SIG_IGN);  // a cache of fonts that cannot be written is no reason to end
  bound(RLIMIT_CORE, 0);
#ifndef MEZZET_SANITIZED
  bound(RLIMIT_AS, rlim_t{3} << 30);  // sanitizers reserve more
#endif
  qputenv("QT_QPA_PLATFORM", "offscreen");
  QGuiApplication app(argc, argv);
  const QStringList words = QGuiApplication::arguments();
  std::string bytes;
  char part[1 << 16];
  for (std::size_t got = std::fread(part, 1, sizeof part, stdin); got > 0 && bytes.size() <= mezzet::kMostPdfBytes;
       got = std::fread(part, 1, sizeof part, stdin))
    bytes.append(part, got);
  if (words.value(1) == QStringLiteral("pages")) {
    const auto pages = mezzet::pagesOfPdfHere(bytes, {});
    if (!pages) return refuse(pages.error());
    std::printf("pages %d\n", *pages);
    return 0;
  }
  if (words.value(1) != QStringLiteral("page")) return 2;
  const auto picture = mezzet::pageOfPdfHere(bytes, {}, words.value(2).toInt());
  if (!picture) return refuse(picture.error());
  std::printf("picture %s %d %d\n", picture->ending.c_str(), picture->width, picture->height);
  std::fwrite(picture->bytes.data(), 1, picture->bytes.size(), stdout);
  return std::fflush(stdout) == 0 ? 0 : 2;
}
