// SPDX-License-Identifier: GPL-3.0-or-later
#include "container.h"

extern "C" {
#include <libavcodec/avcodec.h>
#include <libavformat/avformat.h>
}

#include <string>
#include <vector>
#include "solarchon/image/frame.h"

namespace solarchon::media {

namespace {

// Their usual endings stand in endings.cpp.
constexpr const char* kContainers =
    "matroska,webm,mov,mp4,m4a,3gp,3g2,mj2,avi,mpegts,mpeg,asf,ogg,flv,mxf,nut,yuv4mpegpipe";

/// Options that free themselves.
class Options {
 public:
  Options() = default;
  ~Options() { av_dict_free(&list_); }
  Options(const Options&) = delete;
  Options& operator=(const Options&) = delete;
  void set(const char* key, const std::string& value) {
    av_dict_set(&list_, key, value.c_str(), 0);
  }
  [[nodiscard]] AVDictionary** list() { return &list_; }
  [[nodiscard]] AVDictionary* copy() const {
    AVDictionary* made = nullptr;
    av_dict_copy(&made, list_, 0);
    return made;
  }

 private:
  AVDictionary* list_ = nullptr;
};

int asked(void* interrupt) { return static_cast<Interrupt*>(interrupt)->asked() ? 1 : 0; }

/// Looks at the first frames, none larger than we take.
int look_into(AVFormatContext& context) {
  Options each;
  each.set("max_pixels", std::to_string(image::kMostPixels));
  std::vector<AVDictionary*> of_streams(context.nb_streams);
  for (AVDictionary*& one : of_streams) {
    one = each.copy();
  }
  const int status =
      avformat_find_stream_info(&context, of_streams.empty() ? nullptr : of_streams.data());
  for (AVDictionary*& one : of_streams) {
    av_dict_free(&one);
  }
  return status;
}

}  // namespace

void tame_library() {
  static const bool kTamed = [] {
    av_log_set_callback([](void*, int, const char*, va_list) {});
    constexpr std::size_t kMostAtOnce = std::size_t{512} << 20U;
    av_max_alloc(kMostAtOnce);
    return true;
  }();
  static_cast<void>(kTamed);
}

bool Interrupt::asked() const {
  return stop.stop_requested() || (until && std::chrono::steady_clock::now() > *until);
}

int open_container(const std::filesystem::path& path,
                   std::unique_ptr<AVFormatContext, CloseContext>& context, Interrupt& interrupt) {
  tame_library();
  AVFormatContext* opened = avformat_alloc_context();
  if (opened == nullptr) {
    return AVERROR(ENOMEM);
  }
  opened->interrupt_callback = {asked, &interrupt};
  Options options;
  options.set("format_whitelist", kContainers);
  options.set("protocol_whitelist", "file");
  // Without it a name with a colon would be taken for an address.
  const std::string address = "file:" + path.string();
  int status = avformat_open_input(&opened, address.c_str(), nullptr, options.list());
  context.reset(opened);
  return status < 0 ? status : look_into(*context);
}

}  // namespace solarchon::media
