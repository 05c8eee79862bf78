// SPDX-License-Identifier: GPL-3.0-or-later
// What the interface thread does when *now* is dragged by a minute: everything is computed and the
// whole window is painted, once for each view. The picture in Match is made on another thread.
#include <benchmark/benchmark.h>

#include <QApplication>
#include <QElapsedTimer>
#include <QTemporaryDir>
#include <QThread>

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

/// What the interface thread does for each frame of a live picture of 3 million pixels: the picture
/// is made, the meters are drawn, and the view is painted.
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
  for (auto _ : state) {
    state.PauseTiming();
    const auto number = camera.glance().number;
    while (camera.glance().number == number && waited.elapsed() < 600'000) {
      QThread::msleep(10);
      state.ResumeTiming();
      QApplication::processEvents();  // the next frame is shown with it
      state.PauseTiming();
    }
    state.ResumeTiming();
    plate->render(&canvas);
    strips->render(&canvas);
  }
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
