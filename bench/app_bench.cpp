// SPDX-License-Identifier: GPL-3.0-or-later
// What the interface thread does when *now* is dragged by a minute: everything is computed and the
// whole window is painted, once for each view. The picture in Match is made on another thread.
#include <benchmark/benchmark.h>

#include <QApplication>
#include <QTemporaryDir>

#include "app/shell/options.h"
#include "app/shell/theme.h"
#include "app/shell/window.h"
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
  window.show_view(static_cast<int>(state.range(0)));
  window.records().worker().cancel();
  const sky::UtcTime start = workspace::demo_scenario().value().now;
  QImage canvas(window.size(), QImage::Format_ARGB32_Premultiplied);
  int step = 0;
  for (auto _ : state) {
    window.document().look_at(start + 60.0 * (++step % 300));
    window.render(&canvas);
  }
  state.SetLabel(app::view_names().at(static_cast<qsizetype>(state.range(0))).toStdString());
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
