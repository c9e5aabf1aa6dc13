#include "cli/photograph.h"

#include <QBuffer>
#include <QGuiApplication>
#include <iostream>

#include "core/decide/wall_words.h"
#include "core/rules/base/names.h"
#include "io/json/hang_report.h"
#include "render/fonts.h"
#include "render/photograph.h"

namespace mezzet::cli {
namespace {

const Photograph& chosenPhotograph(const Room& room, const Options& o) {
  for (const Photograph& p : room.photographs)
    if (p.id.value == o.photograph) return p;
  throw Refused{{"--photograph " + o.photograph, "is no photograph of room " + room.name, "See the ids in job.json"}};
}

/// The photograph with a scheme in it, named where there are two.
QImage paintedWith(const JobFile& file, const Scheme& scheme, const Photograph& photograph, const Homography& map,
                   const ImageStore& images, bool named) {
  const QImage* picture = images.find(photograph.image);
  if (picture == nullptr)
    throw Refused{{"photograph " + photograph.id.value, "has no picture that can be shown", "Take it in again"}};
  return photographWith(*picture, piecesIn(file.job, scheme, photograph, map), photograph.before, images,
                        named ? QString::fromStdString(scheme.name) : QString());
}

int runPhotograph(const Options& o, int& argc, char** argv) {
  const JobFile file = load(o);
  const Room& room = chosenRoom(file.job, o);
  const Scheme& scheme = chosenScheme(file.job, room, o);
  static_cast<void>(stateNamed(o.state));
  const Photograph& photograph = chosenPhotograph(room, o);
  if (!photograph.calibration)
    throw Refused{{"photograph " + photograph.id.value, "has no scale yet",
                   "Pick the four corners of a rectangle of known size in it, in Measure"}};
  const Homography map = orRefuse(wallToPhotograph(*photograph.calibration));
  const std::vector<PhotographPiece> pieces = piecesIn(file.job, scheme, photograph, map);
  if (o.json) std::cout << photographJson(scheme, map, pieces);
  else
    for (const std::string& line : photographWords(pieces, SchemeNames(file.job, scheme), usualFormat(file.job.units)))
      std::cout << line << "\n";
  if (o.out.empty()) return kAnswered;
  if (!o.out.ends_with(".png")) throw Refused{{o.out, "has no ending of a picture", "Use .png"}};
  qputenv("QT_QPA_PLATFORM", "offscreen");
  prepareEnvironment();
  QGuiApplication app(argc, argv);
  loadFonts();
  ImageStore images;
  for (const auto& [name, bytes] : file.images) images.add(name, *bytes);
  QImage out = paintedWith(file, scheme, photograph, map, images, !o.withScheme.empty());
  if (!o.withScheme.empty()) {
    Options other = o;
    other.scheme = o.withScheme;
    out = besideEachOther(out, paintedWith(file, chosenScheme(file.job, room, other), photograph, map, images, true));
  }
  QByteArray bytes;
  QBuffer buffer(&bytes);
  buffer.open(QIODevice::WriteOnly);
  out.save(&buffer, "PNG");
  FileSystem files;
  if (const auto fault = saveAtomically(files, o.out, bytes.toStdString())) throw Refused{*fault};
  return kAnswered;
}

}  // namespace

void addPhotographCommands(CLI::App& cli, Options& o, Runs& runs, int& argc, char** argv) {
  CLI::App* cPhoto = withPlace(command(cli, o, "photo", "What is planned for a wall, in a photograph of it"), o);
  cPhoto->add_option("--photograph", o.photograph, "The photograph's id")->required();
  cPhoto->add_option("--with", o.withScheme, "A second scheme, shown beside the first");
  cPhoto->add_option("--out", o.out, "The .png to write");
  cPhoto->add_option("--state", o.state, "everyday, occupied or party: how the room is used");
  cPhoto->add_flag("--json", o.json, "Answer in JSON");
  runs.emplace_back(cPhoto, [&o, &argc, argv] { return runPhotograph(o, argc, argv); });
}

}  // namespace mezzet::cli
