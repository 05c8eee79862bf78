// SPDX-License-Identifier: GPL-3.0-or-later
#include "video_out.h"

#include "container.h"

namespace solarchon::media {

void VideoOut::FreeContext::operator()(AVFormatContext* context) const {
  if (context->pb != nullptr) {
    avio_closep(&context->pb);
  }
  avformat_free_context(context);
}

int VideoOut::open(const std::filesystem::path& path, const VideoShape& shape) {
  tame_library();
  AVFormatContext* made = nullptr;
  int status = avformat_alloc_output_context2(&made, nullptr, shape.container, path.c_str());
  context_.reset(made);
  if (status < 0 || shape.coder == nullptr) {
    return status < 0 ? status : AVERROR_ENCODER_NOT_FOUND;
  }
  codec_.reset(avcodec_alloc_context3(shape.coder));
  stream_ = avformat_new_stream(context_.get(), nullptr);
  codec_->width = shape.width;
  codec_->height = shape.height;
  codec_->pix_fmt = shape.pixels;
  constexpr int kFinest = 1'000'000;
  codec_->time_base = av_d2q(1.0 / shape.rate_hz, kFinest);
  codec_->framerate = av_inv_q(codec_->time_base);
  codec_->thread_count = 0;
  constexpr int kQuieter = 100;
  codec_->log_level_offset = kQuieter;  // what goes wrong comes back as a status
  if (shape.coder->id == AV_CODEC_ID_FFV1) {
    codec_->level = 3;  // slices with check sums
    codec_->slices = 4;
    codec_->gop_size = 1;  // each frame by itself: one that is damaged takes no other with it
  } else {
    codec_->color_range = AVCOL_RANGE_MPEG;
    codec_->colorspace = AVCOL_SPC_BT709;
    codec_->color_primaries = AVCOL_PRI_BT709;
    codec_->color_trc = AVCOL_TRC_BT709;
  }
  if ((context_->oformat->flags & AVFMT_GLOBALHEADER) != 0) {
    codec_->flags |= AV_CODEC_FLAG_GLOBAL_HEADER;
  }
  AVDictionary* options = nullptr;
  for (const auto& [key, value] : shape.options) {
    av_dict_set(&options, key.c_str(), value.c_str(), 0);
  }
  status = avcodec_open2(codec_.get(), shape.coder, &options);
  av_dict_free(&options);
  if (status < 0) {
    return status;
  }
  stream_->time_base = codec_->time_base;
  stream_->avg_frame_rate = codec_->framerate;
  avcodec_parameters_from_context(stream_->codecpar, codec_.get());
  for (const auto& [key, value] : shape.tags) {
    av_dict_set(&context_->metadata, key.c_str(), value.c_str(), 0);
  }
  status = avio_open(&context_->pb, path.c_str(), AVIO_FLAG_WRITE);
  if (status >= 0) {
    status = avformat_write_header(context_.get(), nullptr);
  }
  if (status < 0) {
    return status;
  }
  frame_.reset(av_frame_alloc());
  packet_.reset(av_packet_alloc());
  frame_->format = codec_->pix_fmt;
  frame_->width = shape.width;
  frame_->height = shape.height;
  return av_frame_get_buffer(frame_.get(), 0);
}

int VideoOut::add(int number) {
  frame_->pts = number;
  const int status = avcodec_send_frame(codec_.get(), frame_.get());
  return status < 0 ? status : pass_on();
}

int VideoOut::close() {
  int status = avcodec_send_frame(codec_.get(), nullptr);
  if (status >= 0) {
    status = pass_on();
  }
  if (status >= 0) {
    status = av_write_trailer(context_.get());
  }
  const int closed = avio_closep(&context_->pb);
  return status < 0 ? status : closed;
}

int VideoOut::pass_on() {
  for (;;) {
    const int status = avcodec_receive_packet(codec_.get(), packet_.get());
    if (status == AVERROR(EAGAIN) || status == AVERROR_EOF) {
      return 0;
    }
    if (status < 0) {
      return status;
    }
    av_packet_rescale_ts(packet_.get(), codec_->time_base, stream_->time_base);
    packet_->duration = av_rescale_q(1, codec_->time_base, stream_->time_base);
    packet_->stream_index = stream_->index;
    const int written = av_interleaved_write_frame(context_.get(), packet_.get());
    if (written < 0) {
      return written;
    }
  }
}

}  // namespace solarchon::media
