// SPDX-License-Identifier: GPL-3.0-or-later
// How long a clip takes from its file to a stack, against the plain way of doing it and against
// bare reading. The clip has kFrames frames of 2048 x 1536, unless SOLARCHON_BENCH_FRAMES says
// otherwise; it is written to the folder of temporary files, and taken away again.
#include <benchmark/benchmark.h>
#include <fcntl.h>
#include <sys/resource.h>
#include <unistd.h>

#include <algorithm>
#include <chrono>
#include <cmath>
#include <cstdio>
#include <cstdlib>
#include <filesystem>
#include <numeric>
#include <opencv2/core.hpp>
#include <opencv2/imgproc.hpp>
#include <random>
#include <vector>

#include "solarchon/image/frame.h"
#include "solarchon/media/clip_reader.h"
#include "solarchon/media/clip_writer.h"
#include "solarchon/reduce/grading.h"
#include "solarchon/reduce/keep.h"
#include "solarchon/reduce/stacking.h"

namespace {

using namespace solarchon;

constexpr int kWide = 2048;
constexpr int kTall = 1536;

int frames_of_clip() {
  constexpr int kFrames = 2000;
  const char* wanted = std::getenv("SOLARCHON_BENCH_FRAMES");
  return wanted != nullptr ? std::max(50, std::atoi(wanted)) : kFrames;
}

/// Cells of some pixels under air that changes: blurred more and less, shifted, with noise.
class Clip {
 public:
  explicit Clip(int frames)
      : path_(std::filesystem::temp_directory_path() / "solarchon_bench_reduce.fits") {
    std::filesystem::remove(path_);
    std::filesystem::remove(media::times_beside(path_));
    constexpr int kMargin = 32;
    constexpr int kKinds = 24;
    cv::setRNGSeed(7);
    cv::Mat noise(kTall + 2 * kMargin, kWide + 2 * kMargin, CV_32F);
    cv::randn(noise, 0.0, 1.0);
    cv::Mat cells;
    cv::GaussianBlur(noise, cells, {0, 0}, 2.5);
    cells = cells * (14.0 / std::sqrt(cells.dot(cells) / static_cast<double>(cells.total())));
    cells += 150.0;
    std::vector<cv::Mat> kinds;
    for (int kind = 0; kind < kKinds; ++kind) {
      cv::Mat seen;
      cv::GaussianBlur(cells, seen, {0, 0}, 0.8 + 0.12 * kind);
      cv::Mat grain(seen.size(), CV_32F);
      cv::randn(grain, 0.0, 2.5);
      seen += grain;
      cv::Mat bytes;
      seen.convertTo(bytes, CV_8U);
      kinds.push_back(bytes);
    }
    auto writer = media::ClipWriter::create(path_, {kWide, kTall, 255, 60.0, {}});
    std::mt19937 random(11);
    std::uniform_int_distribution<int> which(0, kKinds - 1);
    std::uniform_int_distribution<int> shift(-4, 4);
    image::Frame frame;
    frame.width = kWide;
    frame.height = kTall;
    frame.saturation = 255;
    frame.pixels.resize(static_cast<std::size_t>(kWide) * kTall);
    for (int i = 0; i < frames; ++i) {
      const cv::Mat& kind = kinds.at(static_cast<std::size_t>(which(random)));
      const int left = kMargin + shift(random);
      const int top = kMargin + shift(random);
      for (int y = 0; y < kTall; ++y) {
        const unsigned char* row = kind.ptr<unsigned char>(top + y) + left;
        std::copy_n(row, kWide, frame.pixels.begin() + static_cast<std::ptrdiff_t>(y) * kWide);
      }
      if (!writer || !writer->add(frame, i / 60.0)) {
        std::fprintf(stderr, "no room for the clip\n");
        std::exit(1);
      }
    }
    [[maybe_unused]] const auto closed = writer->close();
  }
  ~Clip() {
    std::filesystem::remove(path_);
    std::filesystem::remove(media::times_beside(path_));
  }
  Clip(const Clip&) = delete;
  Clip& operator=(const Clip&) = delete;
  Clip(Clip&&) = delete;
  Clip& operator=(Clip&&) = delete;
  [[nodiscard]] const std::filesystem::path& path() const { return path_; }

 private:
  std::filesystem::path path_;
};

const Clip& clip() {
  static const Clip made(frames_of_clip());
  return made;
}

/// Has the system forget what it holds of the clip in memory, so that it comes from the disk. A
/// file system in memory forgets nothing.
void forget_clip() {
  const int file = ::open(clip().path().c_str(), O_RDONLY | O_CLOEXEC);
  ::fdatasync(file);
  ::posix_fadvise(file, 0, 0, POSIX_FADV_DONTNEED);
  ::close(file);
}

double peak_mb() {
  rusage usage{};
  getrusage(RUSAGE_SELF, &usage);
  return static_cast<double>(usage.ru_maxrss) / 1024.0;
}

void BareRead(benchmark::State& state) {
  clip();
  if (state.range(0) == 1) {
    forget_clip();
  }
  std::vector<char> buffer(1U << 20U);
  for (auto _ : state) {
    std::FILE* file = std::fopen(clip().path().c_str(), "rb");
    std::size_t all = 0;
    for (std::size_t got = 1; got > 0; all += got) {
      got = std::fread(buffer.data(), 1, buffer.size(), file);
    }
    std::fclose(file);
    benchmark::DoNotOptimize(all);
  }
}
BENCHMARK(BareRead)
    ->ArgName("from_disk")
    ->Arg(1)
    ->Arg(0)
    ->Unit(benchmark::kSecond)
    ->Iterations(1)
    ->UseRealTime();

/// What is usually done, on one core: each frame read, its Laplacian's deviation; the best fifth
/// shifted by what a phase correlation of 512 pixels finds, and summed.
void PlainChain(benchmark::State& state) {
  cv::setNumThreads(1);
  constexpr int kSquare = 512;
  constexpr long kHeader = 2880;
  const int count = frames_of_clip();
  for (auto _ : state) {
    std::FILE* file = std::fopen(clip().path().c_str(), "rb");
    cv::Mat bytes(kTall, kWide, CV_8U);
    cv::Mat slopes;
    const auto read = [&](int i) {
      std::fseek(file, kHeader + static_cast<long>(i) * kWide * kTall, SEEK_SET);
      return std::fread(bytes.data, 1, static_cast<std::size_t>(kWide) * kTall, file);
    };
    std::vector<double> sharpness;
    for (int i = 0; i < count; ++i) {
      benchmark::DoNotOptimize(read(i));
      cv::Laplacian(bytes, slopes, CV_16S);
      cv::Scalar mean;
      cv::Scalar deviation;
      cv::meanStdDev(slopes, mean, deviation);
      sharpness.push_back(deviation[0]);
    }
    std::vector<int> order(sharpness.size());
    std::iota(order.begin(), order.end(), 0);
    std::sort(order.begin(), order.end(), [&](int a, int b) {
      return sharpness.at(static_cast<std::size_t>(a)) > sharpness.at(static_cast<std::size_t>(b));
    });
    order.resize(order.size() / 5);
    const cv::Rect square((kWide - kSquare) / 2, (kTall - kSquare) / 2, kSquare, kSquare);
    cv::Mat window;
    cv::createHanningWindow(window, {kSquare, kSquare}, CV_32F);
    cv::Mat reference;
    cv::Mat sum = cv::Mat::zeros(kTall, kWide, CV_32F);
    for (const int i : order) {
      benchmark::DoNotOptimize(read(i));
      cv::Mat part;
      bytes(square).convertTo(part, CV_32F);
      if (reference.empty()) {
        reference = part.clone();
      }
      const cv::Point2d shift = cv::phaseCorrelate(part, reference, window);
      const cv::Mat way = (cv::Mat_<double>(2, 3) << 1.0, 0.0, shift.x, 0.0, 1.0, shift.y);
      cv::Mat moved;
      cv::warpAffine(bytes, moved, way, bytes.size(), cv::INTER_LINEAR);
      cv::accumulate(moved, sum);
    }
    benchmark::DoNotOptimize(sum.data);
    std::fclose(file);
  }
}
BENCHMARK(PlainChain)->Unit(benchmark::kSecond)->Iterations(1)->UseRealTime();

/// Grading, aligning over the frame, and stacking of the best fifth.
void Reduced(benchmark::State& state) {
  clip();
  if (state.range(0) == 1) {
    forget_clip();
  }
  const double before = peak_mb();
  double graded_s = 0.0;
  double used = 0.0;
  for (auto _ : state) {
    const auto begin = std::chrono::steady_clock::now();
    const auto grading = reduce::grade_clip(clip().path());
    graded_s = std::chrono::duration<double>(std::chrono::steady_clock::now() - begin).count();
    if (!grading) {
      state.SkipWithError("not graded");
      return;
    }
    const auto stacked = reduce::stack(clip().path(), *grading, reduce::kept(*grading, {}));
    if (!stacked) {
      state.SkipWithError("not stacked");
      return;
    }
    used = stacked->frames;
  }
  state.counters["frames_stacked"] = used;
  state.counters["grading_s"] = graded_s;
  state.counters["memory_mb"] = peak_mb() - before;
}
BENCHMARK(Reduced)
    ->ArgName("from_disk")
    ->Arg(1)
    ->Arg(0)
    ->Unit(benchmark::kSecond)
    ->Iterations(1)
    ->UseRealTime();

}  // namespace
