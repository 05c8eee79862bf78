// SPDX-License-Identifier: GPL-3.0-or-later
// What the interface thread does when *now* is dragged by a minute: everything is computed and the
// whole window is painted, once for each view. The picture in Match is made on another thread.
#include <benchmark/benchmark.h>

#include <QApplication>
#include <QElapsedTimer>
#include <QTemporaryDir>
#include <QThread>
#include <algorithm>
#include <ctime>

#include "app/model/live_camera.h"
#include "app/shell/theme.h"
#include "app/window/options.h"
#include "app/window/window.h"
#include "solarchon/workspace/demo.h"

namespace {

using namespace solarchon;

void DragNow(benchmark::State& state) {
  const QTemporaryDir folder;
  app::Options options;
  options.demo = true;
  options.data = folder.path().toStdString();
  options.screenshot = QStringLiteral("none");  // nothing is kept
  app::Window window(options);
  window.show();
  const QString view = app::places().at(static_cast<std::size_t>(state.range(0))).id;
  window.show_place(view);
  window.models().frame.worker().cancel();
  QApplication::processEvents();  // everything has its place, and is painted from now on
  const sky::UtcTime start = workspace::demo_scenario().value().now;
  QImage canvas(window.size(), QImage::Format_ARGB32_Premultiplied);
  int step = 0;
  for (auto _ : state) {
    window.document().look_at(start + sky::minutes(++step % 300));
    window.render(&canvas);
  }
  state.SetLabel(view.toStdString());
}
BENCHMARK(DragNow)->DenseRange(0, 5)->Unit(benchmark::kMillisecond);

/// What this thread has worked so far.
double thread_ms() {
  timespec now{};
  clock_gettime(CLOCK_THREAD_CPUTIME_ID, &now);
  return 1e3 * static_cast<double>(now.tv_sec) + 1e-6 * static_cast<double>(now.tv_nsec);
}

/// What the interface thread does for each frame of a live picture of 3 million pixels: the picture
/// is made, the meters are drawn, and the view is painted, here once more than on the screen.
/// `longest_ms`: that the thread worked without a look at its events, whatever else the machine
/// does.
void LiveFrame(benchmark::State& state) {
  const QTemporaryDir folder;
  app::Options options;
  options.demo = true;
  options.data = folder.path().toStdString();
  options.screenshot = QStringLiteral("none");
  options.time = workspace::demo_scenario().value().now;
  app::Window window(options);
  window.show();
  window.models().frame.worker().cancel();
  window.show_place(QStringLiteral("capture-live"));
  app::LiveCamera& camera = window.models().camera;
  QElapsedTimer waited;
  waited.start();
  while (camera.glance().frame == nullptr && waited.elapsed() < 60'000) {
    QApplication::processEvents(QEventLoop::AllEvents, 50);
  }
  QWidget* plate = window.findChild<QWidget*>(QStringLiteral("live-plate"));
  QWidget* strips = window.findChild<QWidget*>(QStringLiteral("meter-strips"));
  QImage canvas(window.size(), QImage::Format_ARGB32_Premultiplied);
  double longest_ms = 0.0;
  for (auto _ : state) {
    state.PauseTiming();
    const auto number = camera.glance().number;
    while (camera.glance().number == number && waited.elapsed() < 600'000) {
      QThread::msleep(10);
      state.ResumeTiming();
      const double from_ms = thread_ms();
      QApplication::processEvents();  // the next frame is shown with it
      longest_ms = std::max(longest_ms, thread_ms() - from_ms);
      state.PauseTiming();
    }
    state.ResumeTiming();
    plate->render(&canvas);
    strips->render(&canvas);
  }
  state.counters["longest_ms"] = longest_ms;
}
BENCHMARK(LiveFrame)->Iterations(60)->Unit(benchmark::kMillisecond);

}  // namespace

int main(int argc, char** argv) {
  qputenv("QT_QPA_PLATFORM", "offscreen");
  const QApplication application(argc, argv);
  QApplication::setStyle(QStringLiteral("Fusion"));
  app::Theme::load_fonts();
  benchmark::Initialize(&argc, argv);
  benchmark::RunSpecifiedBenchmarks();
  benchmark::Shutdown();
  return 0;
}
