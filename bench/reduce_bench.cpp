// SPDX-License-Identifier: GPL-3.0-or-later
// How long a clip takes from its file to a stack, against the plain way of doing it and against
// bare reading. Clips lie in /dev/shm where there is one, so that no disk is measured, and are
// taken away again. SOLARCHON_BENCH_SHARE of their frames are made (1: all of them).
#include <benchmark/benchmark.h>
#include <sys/resource.h>

#include <algorithm>
#include <array>
#include <chrono>
#include <cmath>
#include <cstdio>
#include <cstdlib>
#include <filesystem>
#include <memory>
#include <numeric>
#include <opencv2/core.hpp>
#include <opencv2/imgproc.hpp>
#include <random>
#include <string>
#include <vector>

#include "solarchon/image/frame.h"
#include "solarchon/media/clip_reader.h"
#include "solarchon/media/clip_writer.h"
#include "solarchon/reduce/grading.h"
#include "solarchon/reduce/keep.h"
#include "solarchon/reduce/stacking.h"

namespace {

using namespace solarchon;

/// A clip that is measured.
struct Kind {
  const char* name;
  int frames;
  int width;
  int height;
  int full;  ///< 255: a byte a pixel
};
constexpr std::array<Kind, 4> kKinds{{{"1280x960-8bit", 1000, 1280, 960, 255},
                                      {"1280x960-16bit", 1000, 1280, 960, 4095},
                                      {"2048x1536-8bit", 1000, 2048, 1536, 255},
                                      {"4000x2750-16bit", 50, 4000, 2750, 4095}}};

int frames_of(const Kind& kind) {
  const char* share = std::getenv("SOLARCHON_BENCH_SHARE");
  constexpr int kFewest = 40;
  return std::max(kFewest,
                  static_cast<int>(kind.frames * (share != nullptr ? std::atof(share) : 1.0)));
}

/// Cells of some pixels under air that changes: blurred more and less, shifted, with noise.
class Clip {
 public:
  explicit Clip(const Kind& kind) : path_(folder() / "solarchon_bench_reduce.fits") {
    std::filesystem::remove(path_);
    std::filesystem::remove(media::times_beside(path_));
    constexpr int kMargin = 32;
    constexpr int kAirs = 12;
    const double unit = kind.full / 255.0;
    cv::setRNGSeed(7);
    cv::Mat noise(kind.height + 2 * kMargin, kind.width + 2 * kMargin, CV_32F);
    cv::randn(noise, 0.0, 1.0);
    cv::Mat cells;
    cv::GaussianBlur(noise, cells, {0, 0}, 2.5);
    cells = cells * (14.0 / std::sqrt(cells.dot(cells) / static_cast<double>(cells.total())));
    cells += 150.0;
    std::vector<cv::Mat> airs;
    for (int air = 0; air < kAirs; ++air) {
      cv::Mat seen;
      cv::GaussianBlur(cells, seen, {0, 0}, 0.8 + 0.24 * air);
      cv::Mat grain(seen.size(), CV_32F);
      cv::randn(grain, 0.0, 2.5);
      seen = (seen + grain) * unit;
      cv::Mat numbers;
      seen.convertTo(numbers, CV_16U);
      airs.push_back(numbers);
    }
    auto writer = media::ClipWriter::create(path_, {kind.width, kind.height, kind.full, 60.0, {}});
    std::mt19937 random(11);
    std::uniform_int_distribution<int> which(0, kAirs - 1);
    std::uniform_int_distribution<int> shift(-4, 4);
    image::Frame frame;
    frame.width = kind.width;
    frame.height = kind.height;
    frame.saturation = kind.full;
    frame.pixels.resize(static_cast<std::size_t>(kind.width) *
                        static_cast<std::size_t>(kind.height));
    for (int i = 0; i < frames_of(kind); ++i) {
      const cv::Mat& air = airs.at(static_cast<std::size_t>(which(random)));
      const int left = kMargin + shift(random);
      const int top = kMargin + shift(random);
      for (int y = 0; y < kind.height; ++y) {
        const std::uint16_t* row = air.ptr<std::uint16_t>(top + y) + left;
        std::copy_n(row, kind.width,
                    frame.pixels.begin() + static_cast<std::ptrdiff_t>(y) * kind.width);
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
  static std::filesystem::path folder() {
    std::error_code none;
    const std::filesystem::path memory = "/dev/shm";
    return std::filesystem::is_directory(memory, none) ? memory
                                                       : std::filesystem::temp_directory_path();
  }
  std::filesystem::path path_;
};

/// The clip of a kind; that of another is gone then.
const Clip& clip_of(std::size_t kind) {
  static std::unique_ptr<Clip> made;
  static std::size_t of = kKinds.size();
  if (of != kind) {
    made.reset();
    made = std::make_unique<Clip>(kKinds.at(kind));
    of = kind;
  }
  return *made;
}

double peak_mb() {
  rusage usage{};
  getrusage(RUSAGE_SELF, &usage);
  return static_cast<double>(usage.ru_maxrss) / 1024.0;
}

void BareRead(benchmark::State& state) {
  const Clip& clip = clip_of(static_cast<std::size_t>(state.range(0)));
  std::vector<char> buffer(1U << 20U);
  for (auto _ : state) {
    std::FILE* file = std::fopen(clip.path().c_str(), "rb");
    std::size_t all = 0;
    for (std::size_t got = 1; got > 0; all += got) {
      got = std::fread(buffer.data(), 1, buffer.size(), file);
    }
    std::fclose(file);
    benchmark::DoNotOptimize(all);
  }
}

/// What is usually done, on one core: each frame read, its Laplacian's deviation; the best fifth
/// shifted by what a phase correlation of 512 pixels finds, and summed.
void PlainChain(benchmark::State& state) {
  cv::setNumThreads(1);
  constexpr int kSquare = 512;
  const auto which = static_cast<std::size_t>(state.range(0));
  const Kind& kind = kKinds.at(which);
  const Clip& clip = clip_of(which);
  const int count = frames_of(kind);
  const bool bytes = kind.full <= 255;
  for (auto _ : state) {
    std::FILE* file = std::fopen(clip.path().c_str(), "rb");
    // Two bytes a pixel come the other way round, and less half of their range.
    cv::Mat frame(kind.height, kind.width, bytes ? CV_8U : CV_16U);
    cv::Mat slopes;
    const std::size_t size = frame.total() * frame.elemSize();
    std::fseek(file, 0, SEEK_END);
    constexpr long kBlock = 2880;
    const long data = static_cast<long>(size) * count;
    const long header = std::ftell(file) / kBlock * kBlock - (data + kBlock - 1) / kBlock * kBlock;
    const auto read = [&](int i) {
      std::fseek(file, header + static_cast<long>(i) * static_cast<long>(size), SEEK_SET);
      const std::size_t got = std::fread(frame.data, 1, size, file);
      if (!bytes) {
        auto* numbers = frame.ptr<std::uint16_t>();
        for (std::size_t k = 0; k < frame.total(); ++k) {
          numbers[k] = static_cast<std::uint16_t>(__builtin_bswap16(numbers[k]) ^ 0x8000U);
        }
      }
      return got;
    };
    std::vector<double> sharpness;
    for (int i = 0; i < count; ++i) {
      benchmark::DoNotOptimize(read(i));
      cv::Laplacian(frame, slopes, bytes ? CV_16S : CV_32F);
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
    const cv::Rect square((kind.width - kSquare) / 2, (kind.height - kSquare) / 2, kSquare,
                          kSquare);
    cv::Mat window;
    cv::createHanningWindow(window, {kSquare, kSquare}, CV_32F);
    cv::Mat reference;
    cv::Mat sum = cv::Mat::zeros(kind.height, kind.width, CV_32F);
    for (const int i : order) {
      benchmark::DoNotOptimize(read(i));
      cv::Mat part;
      frame(square).convertTo(part, CV_32F);
      if (reference.empty()) {
        reference = part.clone();
      }
      const cv::Point2d shift = cv::phaseCorrelate(part, reference, window);
      const cv::Mat way = (cv::Mat_<double>(2, 3) << 1.0, 0.0, shift.x, 0.0, 1.0, shift.y);
      cv::Mat moved;
      cv::warpAffine(frame, moved, way, frame.size(), cv::INTER_LINEAR);
      cv::accumulate(moved, sum);
    }
    benchmark::DoNotOptimize(sum.data);
    std::fclose(file);
  }
}

/// Grading, aligning over the frame, and stacking of the best fifth.
void Reduced(benchmark::State& state) {
  const Clip& clip = clip_of(static_cast<std::size_t>(state.range(0)));
  const double before = peak_mb();
  double graded_s = 0.0;
  double used = 0.0;
  for (auto _ : state) {
    const auto begin = std::chrono::steady_clock::now();
    const auto grading = reduce::grade_clip(clip.path());
    graded_s = std::chrono::duration<double>(std::chrono::steady_clock::now() - begin).count();
    if (!grading) {
      state.SkipWithError("not graded");
      return;
    }
    const auto stacked = reduce::stack(clip.path(), *grading, reduce::kept(*grading, {}));
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

/// Of each kind all three, so that they share its clip.
const bool registered = [] {
  for (std::size_t kind = 0; kind < kKinds.size(); ++kind) {
    const auto add = [&](const char* what, void (*run)(benchmark::State&)) {
      benchmark::RegisterBenchmark((std::string(what) + "/" + kKinds.at(kind).name).c_str(), run)
          ->Arg(static_cast<std::int64_t>(kind))
          ->Unit(benchmark::kSecond)
          ->Iterations(1)
          ->UseRealTime();
    };
    add("BareRead", BareRead);
    add("PlainChain", PlainChain);
    add("Reduced", Reduced);
  }
  return true;
}();

}  // namespace
