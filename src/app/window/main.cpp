#include <QApplication>
#include <QCommandLineParser>
#include <QElapsedTimer>
#include <QIcon>
#include <QSettings>
#include <QStyleFactory>
#include <QTimer>
#include <cstdio>

#include "app/window/application.h"
#include "app/window/main_window.h"
#include "app/window/rehearsal.h"
#include "app/view/sheet_access.h"
#include "app/view/sheet_view.h"
#include "app/widgets/style.h"
#include "io/json/rulebook_json.h"

int main(int argc, char** argv) {
  using namespace mezzet;
  QElapsedTimer sinceStart;
  sinceStart.start();
  prepareEnvironment();
  Application app(argc, argv);
  QApplication::setApplicationName(QStringLiteral("Mezzet"));
  QApplication::setOrganizationName(QStringLiteral("Mezzet"));
  QApplication::setDesktopFileName(QStringLiteral("mezzet"));
  QApplication::setStyle(QStyleFactory::create(QStringLiteral("Fusion")));
  loadFonts();
  QApplication::setFont(interfaceFont(13));
  installSheetAccess();
  QApplication::setWindowIcon(QIcon(QStringLiteral(":/icons/mezzet.svg")));
  style::apply(app, style::deskNamed(QSettings().value(QStringLiteral("desk")).toString()));

  QCommandLineParser options;
  options.setApplicationDescription(QStringLiteral("Plans a room to scale."));
  options.addHelpOption();
  options.addPositionalArgument(QStringLiteral("JOB"), QStringLiteral("A .mezzet file or a bare job.json"));
  options.addOptions(
      {{QStringLiteral("seconds"), QStringLiteral("Close after this many seconds."), QStringLiteral("N")},
       {QStringLiteral("picture"), QStringLiteral("Write a picture of the window once it is painted."),
        QStringLiteral("PNG")},
       {QStringLiteral("shots"), QStringLiteral("Write pictures of the main views and end."), QStringLiteral("FOLDER")},
       {QStringLiteral("rehearse"), QStringLiteral("Make N edits, saying \"done\" after each, and end."),
        QStringLiteral("N")},
       {QStringLiteral("first-paint"), QStringLiteral("Say how long the first painted window took, and end.")}});
  options.process(app);

  FileSystem files;
  MainWindow window(files, builtInRulebook());
  if (const QStringList jobs = options.positionalArguments(); !jobs.isEmpty()) window.openPath(jobs.front());
  if (window.document().path().isEmpty()) window.newJob(true);
  window.show();
  if (window.workspace().room() != nullptr) window.sheet().setFocus();

  if (options.isSet(QStringLiteral("first-paint"))) {
    window.grab();
    QApplication::processEvents();
    std::printf("first paint %lld ms\n", static_cast<long long>(sinceStart.elapsed()));
    window.document().close();
    return 0;
  }
  if (options.isSet(QStringLiteral("shots"))) {
    QApplication::processEvents();
    for (const QString& path : takeShots(window, options.value(QStringLiteral("shots"))))
      std::printf("%s\n", qPrintable(path));
    window.document().close();
    return 0;
  }
  if (options.isSet(QStringLiteral("rehearse"))) {
    rehearseEdits(window, options.value(QStringLiteral("rehearse")).toInt());
    return 0;  // the journal stays: these edits were not saved
  }
  if (options.isSet(QStringLiteral("picture")))
    QTimer::singleShot(600, &window, [&] {
      const QString path = options.value(QStringLiteral("picture"));
      std::printf(window.grab().save(path) ? "Picture of the window: %s\n" : "The picture could not be written: %s\n",
                  qPrintable(path));
      std::fflush(stdout);
    });
  if (options.isSet(QStringLiteral("seconds")))
    QTimer::singleShot(options.value(QStringLiteral("seconds")).toInt() * 1000, &window, [&] {
      window.document().close();
      QApplication::quit();
    });
  window.offerAbandoned();
  return QApplication::exec();
}
