#include "render/picture_in.h"

#include <QBuffer>
#include <QCoreApplication>
#include <QElapsedTimer>
#include <QImage>
#include <QProcess>
#include <algorithm>

namespace mezzet {
namespace {

constexpr int kJpegQuality = 92;
constexpr int kLookAgain = 50;               // ms between two looks whether it should stop
constexpr qint64 kMostAnswer = 256ll << 20;  // bytes of a page as PNG

/// What src/intake answered: the first line, and what follows it.
struct Answer {
  QList<QByteArray> words;
  QByteArray rest;
};

Result<Answer> askIntake(const QStringList& what, const std::string& bytes, const std::string& name,
                         const std::stop_token& stop) {
  if (bytes.size() > kMostPdfBytes) return Error{name, "is larger than 256 MB", "Save only the page with the plan"};
  if (!isPdf(bytes)) return Error{name, "is not a PDF", "Choose a PDF, PNG or JPEG"};
  QProcess intake;
  intake.setStandardErrorFile(QProcess::nullDevice());
  intake.start(QCoreApplication::applicationDirPath() + QStringLiteral("/mezzet-intake"), what);
  if (!intake.waitForStarted())
    return Error{name, "cannot be read: the program mezzet-intake is not beside this one", "Install Mezzet again"};
  QElapsedTimer since;
  since.start();
  intake.write(bytes.data(), static_cast<qint64>(bytes.size()));
  intake.closeWriteChannel();
  QByteArray out;
  const auto end = [&](const char* why, const char* hint) {
    intake.kill();
    intake.waitForFinished();
    return Error{name, why, hint};
  };
  while (!intake.waitForFinished(kLookAgain) && intake.state() != QProcess::NotRunning) {
    out += intake.readAllStandardOutput();
    if (stop.stop_requested()) return end("was not read to its end", "It was stopped");
    if (since.elapsed() > kMostPdfTime)
      return end("takes longer than half a minute to read", "The file may be damaged; take a picture of the page");
    if (out.size() > kMostAnswer) return end("has a page that is too large to keep", "Take a picture of the page");
  }
  out += intake.readAllStandardOutput();
  const qsizetype line = out.indexOf('\n');
  Answer answer{out.left(std::max<qsizetype>(line, 0)).split(' '), out.mid(line + 1)};
  if (answer.words.front() == "refused") {
    const QList<QByteArray> why = answer.rest.split('\n');
    return Error{name, why.value(0).toStdString(), why.value(1).toStdString()};
  }
  // Out of time or memory, or out of its mind: whatever the file did to it stays there.
  if (intake.exitStatus() != QProcess::NormalExit || intake.exitCode() != 0 || line < 0)
    return Error{name, "cannot be read as a PDF: it takes more time or memory than a plan does",
                 "The file may be damaged; take a picture of the page"};
  return answer;
}

}  // namespace

Result<PictureIn> packedPicture(const QImage& image, bool asJpeg, const std::string& name) {
  QByteArray bytes;
  QBuffer buffer(&bytes);
  buffer.open(QIODevice::WriteOnly);
  if (!image.save(&buffer, asJpeg ? "JPG" : "PNG", asJpeg ? kJpegQuality : -1))
    return Error{name, "could not be kept", "There may be too little memory"};
  return PictureIn{bytes.toStdString(), asJpeg ? "jpg" : "png", image.width(), image.height(), false};
}

Result<PictureIn> pictureFrom(const std::string& bytes, const std::string& name) {
  if (bytes.empty()) return Error{name, "is empty", "Choose another picture"};
  if (bytes.size() > kMostPdfBytes) return Error{name, "is larger than 256 MB", "Make it smaller first"};
  const char* format = pictureFormat(bytes);
  if (format == nullptr) return Error{name, "is no picture that Mezzet takes", "Use PNG or JPEG, or a PDF of a plan"};
  const bool png = std::string_view(format) == "png";
  const Decoded decoded = decodedPicture(bytes, true);
  const QSize size = decoded.size;
  if (!size.isValid() || size.isEmpty())
    return Error{name, "says no size", "The file may be damaged; open and save it elsewhere"};
  if (static_cast<long long>(size.width()) * size.height() > kMostPicturePixels)
    return Error{
        name, "has " + std::to_string(static_cast<long long>(size.width()) * size.height() / 1'000'000) + " megapixels",
        "Mezzet takes up to 80; make it smaller first"};
  if (decoded.image.isNull())
    return Error{name, "cannot be decoded", "The file may be damaged; open and save it elsewhere"};
  const bool large = std::max(size.width(), size.height()) > kKeptPixels;
  if (!large && !decoded.turned)
    return PictureIn{bytes, png ? "png" : "jpg", decoded.image.width(), decoded.image.height(), false};
  auto out = packedPicture(decoded.image, !png, name);
  if (!out) return out;
  PictureIn kept = std::move(out).value();
  kept.madeSmaller = large;
  return kept;
}

Result<int> pdfPages(const std::string& bytes, const std::string& name, const std::stop_token& stop) {
  const Result<Answer> answer = askIntake({QStringLiteral("pages")}, bytes, name, stop);
  if (!answer) return answer.error();
  return answer->words.value(1).toInt();
}

Result<PictureIn> pictureOfPdf(const std::string& bytes, const std::string& name, int page,
                               const std::stop_token& stop) {
  const Result<Answer> answer = askIntake({QStringLiteral("page"), QString::number(page)}, bytes, name, stop);
  if (!answer) return answer.error();
  PictureIn out{answer->rest.toStdString(), answer->words.value(1).toStdString(), answer->words.value(2).toInt(),
                answer->words.value(3).toInt(), false};
  if (pictureFormat(out.bytes) == nullptr)
    return Error{name, "has a page that cannot be painted", "Take a picture of the page"};
  return out;
}

}  // namespace mezzet
