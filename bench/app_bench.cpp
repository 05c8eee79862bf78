// SPDX-License-Identifier: GPL-3.0-or-later
// What the interface thread does when *now* is dragged by a minute: everything is computed and the
// whole window is painted, once for each view. The picture in Match is made on another thread.
#include <benchmark/benchmark.h>

#include <QApplication>
#include <QTemporaryDir>

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
