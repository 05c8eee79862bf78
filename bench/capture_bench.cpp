// SPDX-License-Identifier: GPL-3.0-or-later
// Meters and recorder on frames of 2048 x 1536: the disc in the frame, 8 bits. What the disk takes
// is measured beside it; the folder is $SOLARCHON_BENCH_DIR, or that of temporary files.
#include <benchmark/benchmark.h>

#include <atomic>
#include <chrono>
#include <cmath>
#include <cstdlib>
#include <filesystem>
#include <fstream>
#include <memory>
#include <thread>
#include <vector>

#include "solarchon/base/random.h"
#include "solarchon/capture/recorder.h"
#include "solarchon/capture/session.h"
#include "solarchon/image/frame.h"
#include "solarchon/live/meters.h"

namespace {

using namespace solarchon;

/// A disc with an edge and some noise, a little elsewhere each time.
/// @param part  of 2048 x 1536 on each side
std::vector<image::Frame> discs(int count, double part = 1.0) {
  std::vector<image::Frame> all;
  for (int number = 0; number < count; ++number) {
    base::Random random{static_cast<std::uint32_t>(number)};
    image::Frame frame;
    frame.width = static_cast<int>(2048 * part);
    frame.height = static_cast<int>(1536 * part);
    frame.saturation = 255;
    frame.pixels.resize(static_cast<std::size_t>(frame.width) *
                        static_cast<std::size_t>(frame.height));
    for (int y = 0; y < frame.height; ++y) {
      for (int x = 0; x < frame.width; ++x) {
        const double out =
            std::hypot(x - 1024.0 * part - 0.3 * number, y - 768.0 * part) - 637.0 * part;
        const double level =
            5.0 + 85.0 * (1.0 - std::tanh(out / 2.0)) + 4.0 * (random.uniform() - 0.5);
        frame.pixels[static_cast<std::size_t>(y) * static_cast<std::size_t>(frame.width) +
                     static_cast<std::size_t>(x)] = static_cast<std::uint16_t>(level);
      }
    }
    all.push_back(std::move(frame));
  }
  return all;
}

live::Setting setting() {
  live::Setting setting;
  setting.imaging.scale_arcsec_px = 1.48;
  setting.sun_radius_arcsec = 944.0;
  setting.clear_level = 0.7;
  return setting;
}

std::filesystem::path folder() {
  const char* given = std::getenv("SOLARCHON_BENCH_DIR");
  return given != nullptr ? std::filesystem::path(given) : std::filesystem::temp_directory_path();
}

void BM_MetersAtAHundredHertz(benchmark::State& state) {
  const auto frames = discs(8);
  live::Meters meters(setting());
  int number = 0;
  for (auto _ : state) {
    meters.take(frames[static_cast<std::size_t>(number % 8)], number * 0.01);
    ++number;
  }
}
BENCHMARK(BM_MetersAtAHundredHertz)->Unit(benchmark::kMillisecond)->Iterations(300);

void BM_Readings(benchmark::State& state) {
  const auto frames = discs(8);
  live::Meters meters(setting());
  for (int number = 0; number < 300; ++number) {
    meters.take(frames[static_cast<std::size_t>(number % 8)], number * 0.01);
  }
  for (auto _ : state) {
    benchmark::DoNotOptimize(meters.readings());
  }
}
BENCHMARK(BM_Readings)->Unit(benchmark::kMillisecond);

/// Meters and recorder together: items are frames, all of which reach the file.
void BM_RecordWithMeters(benchmark::State& state) {
  const auto frames = discs(8);
  const auto file = folder() / "solarchon-bench.fits";
  capture::LiveFrame frame;
  constexpr int kFrames = 300;
  std::int64_t dropped = 0;
  for (auto _ : state) {
    std::filesystem::remove(file);
    live::Meters meters(setting());
    frame.frame = frames[0];
    capture::RecordPlan plan;
    plan.file = file;
    auto recorder = capture::Recorder::begin(plan, frame, 100.0);
    if (!recorder) {
      state.SkipWithError("cannot be written there");
      return;
    }
    for (int number = 0; number < kFrames; ++number) {
      frame.frame.pixels = frames[static_cast<std::size_t>(number % 8)].pixels;
      frame.seconds = number * 0.01;
      frame.number = number;
      meters.take(frame.frame, frame.seconds);
      (*recorder)->offer(frame, meters.last().sharpness);
    }
    dropped += (*recorder)->finish().dropped;
  }
  state.SetItemsProcessed(state.iterations() * kFrames);
  state.counters["dropped"] = static_cast<double>(dropped);
  std::filesystem::remove(file);
}
BENCHMARK(BM_RecordWithMeters)->Unit(benchmark::kMillisecond)->Iterations(2)->UseRealTime();

/// The same bytes written plainly: what the disk takes.
void BM_PlainWrite(benchmark::State& state) {
  const std::vector<char> bytes(std::size_t{2048} * 1536, 'x');
  const auto file = folder() / "solarchon-bench.bin";
  constexpr int kFrames = 300;
  for (auto _ : state) {
    std::ofstream out(file, std::ios::binary);
    for (int number = 0; number < kFrames; ++number) {
      out.write(bytes.data(), static_cast<std::streamsize>(bytes.size()));
    }
  }
  state.SetItemsProcessed(state.iterations() * kFrames);
  std::filesystem::remove(file);
}
BENCHMARK(BM_PlainWrite)->Unit(benchmark::kMillisecond)->Iterations(2)->UseRealTime();

/// Memory of this process that is in use (MB).
double in_use_mb() {
  std::ifstream told("/proc/self/statm");
  double pages = 0.0;
  told >> pages >> pages;
  constexpr double kPage = 4096.0;
  return pages * kPage / 1e6;
}

/// Two hours at 30 frames a second, as fast as they go: a quarter of each side.
class TwoHours : public capture::Source {
 public:
  static constexpr int kFrames = 2 * 3600 * 30;
  TwoHours() : frames_(discs(16, 0.25)) {
    card_.width = frames_.front().width;
    card_.height = frames_.front().height;
    card_.saturation = 255;
    card_.rate_hz = 30.0;
    card_.ends = true;
  }
  [[nodiscard]] const capture::SourceCard& card() const override { return card_; }
  base::Result<bool> next(capture::LiveFrame& into, std::stop_token stop) override {
    if (at_ >= kFrames || stop.stop_requested()) {
      return false;
    }
    into.frame = frames_[static_cast<std::size_t>(at_ % 16)];
    into.seconds = at_ / 30.0;
    into.number = at_++;
    return true;
  }

 private:
  std::vector<image::Frame> frames_;
  capture::SourceCard card_;
  int at_ = 0;
};

/// A live picture that is looked at for two hours: `grown_mb` from its first minute to its end, and
/// `slower`, how much longer the last tenth took than the second.
void BM_TwoHoursOfLivePicture(benchmark::State& state) {
  for (auto _ : state) {
    std::atomic<int> glances{0};
    live::Setting quarter = setting();
    quarter.imaging.scale_arcsec_px *= 4.0;
    capture::Session session(std::make_unique<TwoHours>(), quarter, [&] { ++glances; });
    const auto wait_for = [&](int frames) {
      while (session.glance().number < frames && !session.glance().ended) {
        std::this_thread::sleep_for(std::chrono::milliseconds(5));
      }
      return std::chrono::steady_clock::now();
    };
    constexpr int kTenth = TwoHours::kFrames / 10;
    const auto first = wait_for(kTenth);
    const double before_mb = in_use_mb();
    const std::chrono::duration<double> second = wait_for(2 * kTenth) - first;
    const auto ninth = wait_for(9 * kTenth);
    const std::chrono::duration<double> last = wait_for(TwoHours::kFrames) - ninth;
    state.counters["grown_mb"] = in_use_mb() - before_mb;
    state.counters["slower"] = last / second;
    state.counters["glances"] = glances.load();
  }
  state.SetItemsProcessed(state.iterations() * TwoHours::kFrames);
}
BENCHMARK(BM_TwoHoursOfLivePicture)->Unit(benchmark::kSecond)->Iterations(1)->UseRealTime();

}  // namespace
