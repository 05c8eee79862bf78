// SPDX-License-Identifier: GPL-3.0-or-later
#include <QApplication>
#include <QDir>
#include <QElapsedTimer>
#include <QTimer>
#include <chrono>
#include <cstdio>
#include <cstdlib>
#include <cstring>
#include <optional>
#include <thread>

#include "app/model/phrases.h"
#include "app/model/stand_in_process.h"
#include "app/shell/language.h"
#include "app/shell/theme.h"
#include "app/window/options.h"
#include "app/window/places.h"
#include "app/window/ringer.h"
#include "app/window/single_instance.h"
#include "app/window/unix_signals.h"
#include "app/window/window.h"
#include "solarchon/base/folder_lock.h"
#include "solarchon/workspace/demo.h"

namespace {

using solarchon::app::Look;
using solarchon::app::Options;
using solarchon::app::SingleInstance;
using solarchon::app::Theme;
using solarchon::app::UnixSignals;
using solarchon::app::Window;

constexpr int kHeld = 1;
constexpr int kBadInput = 2;

/// Lets the window work until its picture will not change any more.
void settle(Window& window) {
  QElapsedTimer waited;
  waited.start();
  constexpr int kLongestMs = 120'000;
  do {
    QApplication::processEvents(QEventLoop::AllEvents, 50);
  } while (!window.complete() && waited.elapsed() < kLongestMs);
  QApplication::processEvents();
}

int save_picture(Window& window, const QString& file) {
  settle(window);
  if (!window.grab().save(file)) {
    std::fprintf(stderr, "solarchon: %s: cannot be written\n", qPrintable(file));
    return 1;
  }
  return 0;
}

/// A picture of each view in both themes.
int take_tour(Window& window, const QString& folder) {
  QDir().mkpath(folder);
  for (const Look look : {Look::kNoon, Look::kIndoors}) {
    window.set_look(look);
    for (const QString& place : solarchon::app::place_ids()) {
      window.show_place(place);
      const QString file = QStringLiteral("%1/%2-%3.png")
                               .arg(folder, place, look == Look::kNoon ? "noon" : "indoors");
      if (const int problem = save_picture(window, file); problem != 0) {
        return problem;
      }
      std::printf("%s\n", qPrintable(file));
    }
  }
  return 0;
}

/// What came of asking for the data folder.
struct Folder {
  std::optional<solarchon::base::FolderLock> lock;
  std::optional<int> leave;  ///< exit code, where another process holds the folder
  std::vector<std::filesystem::path> swept = {};
};

/// The data folder for this process alone, what killed writers left in it swept out. A second start
/// brings the first one's window forward, or says who holds the folder. A folder that cannot be
/// written is held by nobody and only looked at.
Folder take_folder(const std::filesystem::path& data, const QString& file) {
  auto held = solarchon::base::FolderLock::take(data);
  if (held) {
    auto swept = solarchon::workspace::sweep_data_folder(data);
    return {std::move(*held), {}, std::move(swept)};
  }
  if (!solarchon::base::FolderLock::held(data)) {
    return {};
  }
  if (SingleInstance::ring(data, file)) {
    std::fprintf(stderr, "solarchon: its window is open already, and was brought forward\n");
    return {{}, 0};
  }
  std::fprintf(stderr, "solarchon: %s\n", qPrintable(solarchon::app::error_text(held.error())));
  return {{}, kHeld};
}

/// Everything is on disk when the window is closed: whatever still hangs then (a library's thread,
/// a device) must not keep the process.
void end_soon(int code) {
  constexpr std::chrono::milliseconds kMost{1500};
  std::thread([code, kMost] {
    std::this_thread::sleep_for(kMost);
    std::_Exit(code);
  }).detach();
}

}  // namespace

int main(int argc, char** argv) {
  if (argc == 2 && std::strcmp(argv[1], "--ring") == 0) {
    return solarchon::app::ring_alarm(argc, argv);
  }
  QApplication::setApplicationName(QStringLiteral("solarchon"));
  QApplication::setApplicationVersion(QStringLiteral(SOLARCHON_VERSION));
  QApplication::setDesktopFileName(QStringLiteral("solarchon"));
  // Pictures and help need no display.
  for (int i = 1; i < argc; ++i) {
    const QByteArray argument(argv[i]);
    if ((argument.startsWith("--screenshot") || argument.startsWith("--tour") ||
         argument == "--help" || argument == "-h" || argument == "--version") &&
        qEnvironmentVariableIsEmpty("QT_QPA_PLATFORM")) {
      qputenv("QT_QPA_PLATFORM", "offscreen");
    }
  }
  QApplication application(argc, argv);
  solarchon::app::speak({});
  auto options = solarchon::app::read_options(application.arguments());
  if (!options) {
    std::fprintf(stderr, "solarchon: %s\n",
                 qPrintable(solarchon::app::error_text(options.error())));
    return kBadInput;
  }
  if (options->help || options->version) {
    std::printf("%s\n", options->help ? qPrintable(solarchon::app::help_text())
                                      : "solarchon " SOLARCHON_VERSION);
    return 0;
  }
  if (options->data.empty()) {
    options->data = solarchon::workspace::default_data_folder();
    if (options->demo) {
      options->data += "-demo";
    }
  }
  const Folder folder = take_folder(options->data, options->file);
  if (folder.leave) {
    return *folder.leave;
  }
  options->swept = folder.swept;
  solarchon::app::StandInProcess::sweep_after_the_dead();
  options->ringer = QApplication::applicationFilePath();
  QApplication::setStyle(QStringLiteral("Fusion"));
  Theme::load_fonts();
  QApplication::setWindowIcon(QIcon(QStringLiteral(":/icons/solarchon.svg")));
  Window window(*options);
  window.show();
  if (!options->screenshot.isEmpty()) {
    return save_picture(window, options->screenshot);
  }
  if (!options->tour.isEmpty()) {
    return take_tour(window, options->tour);
  }
  std::optional<SingleInstance> doorbell;
  if (folder.lock) {
    doorbell.emplace(options->data);
    QObject::connect(&*doorbell, &SingleInstance::rung, &window, [&window](const QString& file) {
      window.come_forward();
      if (!file.isEmpty()) {
        window.open_file(file);
      }
    });
  }
  const UnixSignals end_signals;
  QObject::connect(&end_signals, &UnixSignals::asked, &window, &Window::close);
  const int code = QApplication::exec();
  end_soon(code);
  return code;
}
