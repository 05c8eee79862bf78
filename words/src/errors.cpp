// SPDX-License-Identifier: GPL-3.0-or-later
// Every error as text: what went wrong, what would be accepted, and why.
#include "solarchon/words/errors.h"

#include <algorithm>

#include "marks.h"
#include "solarchon/base/text.h"

namespace solarchon::words {

using base::Error;
using base::ErrorCode;

namespace {

/// What would be accepted, and reasons, by id. %1 and so on are the figures, then the detail.
constexpr TextRow kRemarks[] = {
    // Values.
    {"number", TEXT("a number")},
    {"whole-number", TEXT("a whole number")},
    {"text", TEXT("text")},
    {"flag", TEXT("true or false")},
    {"yes-or-no", TEXT("yes or no")},
    {"range", TEXT("%1 to %2")},
    {"one-of", "%1"},
    {"date", TEXT("a date as YYYY-MM-DD")},
    {"time", TEXT("a time as YYYY-MM-DDTHH:MM:SSZ")},
    {"days-covered", TEXT("1972-01-03 to 2099-12-30")},
    {"eclipse-days-covered", TEXT("1950-01-01 to 2100-12-31")},
    {"years-covered", TEXT("1972 to 2099")},
    {"leap-second", TEXT("second 60 only where a leap second was put in")},
    {"sun-above-the-horizon", TEXT("a time with the Sun above the horizon")},
    {"window-size", "1280x800"},
    {"place-and-time", TEXT("time, lat and lon together")},
    {"place-and-date-or-file", TEXT("a place and a date, or a file")},
    {"listed-options", TEXT("those that --help lists")},
    // Files of our own.
    {"json", "JSON"},
    {"object", TEXT("an object")},
    {"list", TEXT("a list")},
    {"list-of-at-most", TEXT("a list of at most %1")},
    {"at-most", TEXT("at most %1")},
    {"at-most-bytes", TEXT("at most %1 bytes")},
    {"at-least-one-line", TEXT("at least one line")},
    {"versions-up-to", TEXT("versions up to %1")},
    {"name-of-bytes", TEXT("a name of 1 to %1 bytes")},
    {"id-of-its-own", TEXT("an id that no other part has")},
    {"no-such-member", TEXT("no member has this name")},
    {"nested-too-deeply", TEXT("nested too deeply")},
    {"at-byte", TEXT("at byte %1")},
    {"number-too-large", TEXT("a number that is too large")},
    {"drift-columns", TEXT("time_utc, hour_angle_deg, declination_deg, duration_s, "
                           "dec_drift_arcsec, ha_drift_arcsec and perhaps noise_arcsec")},
    {"json-rpc", TEXT("a message of JSON-RPC 2.0")},
    {"result-or-error", TEXT("a result or an error")},
    {"drift-both-ways", TEXT("how far to the right and how far up; 0 counts")},
    {"two-frames-of-a-run", TEXT("two frames or more of the whole disc or its edge")},
    {"time-in-the-file", TEXT("a frame that says when it was taken")},
    {"frames-of-one-scale", TEXT("frames in which the Sun is equally large")},
    {"camera-scale", TEXT("a light path with telescope and camera")},
    {"a-drift-in-each-run", TEXT("a drift in declination, in hour angle, or both")},
    {"horizon-columns", TEXT("azimuth, height and perhaps trees")},
    {"forecast-columns",
     TEXT("time, cloud, thin cloud, wind and perhaps temperature and humidity")},
    {"columns", TEXT("%1 columns")},
    {"log", TEXT("a log of this program")},
    {"magnetic-model", TEXT("coefficients of the World Magnetic Model")},
    // Calendars.
    {"icalendar", TEXT("an iCalendar")},
    {"date-with-a-time", TEXT("a date with a time")},
    {"time-of-day", TEXT("a time of day")},
    {"whole-day", TEXT("a whole day")},
    {"known-time-zone", TEXT("a known time zone")},
    {"event-once", TEXT("an event that happens once")},
    {"recurs", TEXT("it recurs")},
    {"after-the-start-within-a-day", TEXT("after the start, within a day")},
    {"end-for-every-begin", TEXT("an END for every BEGIN")},
    // Pictures.
    {"picture", TEXT("a picture")},
    {"fits", TEXT("a FITS picture")},
    {"whole-fits", TEXT("a whole FITS picture")},
    {"whole-jpeg", TEXT("a whole JPEG picture")},
    {"whole-png", TEXT("a whole PNG picture")},
    {"tiff", TEXT("a TIFF picture")},
    {"whole-tiff", TEXT("a whole TIFF picture")},
    {"fits-png-tiff-or-jpeg", TEXT("FITS, PNG, TIFF or JPEG")},
    {"two-axes-or-planes", TEXT("one picture of two axes, or its colour planes")},
    {"fits-number", TEXT("a number within the standard's limits, at most 9 axes")},
    {"at-most-1-mb-of-header", TEXT("at most 1 MB of header")},
    {"at-most-pixels", TEXT("at most %1 pixels a side and %2 in all")},
    {"tiff-layout", TEXT("grey or RGB, 8 or 16 bit or real numbers, in strips")},
    {"axes", TEXT("%1 axes")},
    {"pixels", TEXT("%1 x %2 pixels")},
    {"claims-more-than-it-holds", TEXT("it claims more than it holds")},
    {"cut-off-in-a-header", TEXT("cut off in a header")},
    {"header-without-an-end", TEXT("a header without an end")},
    {"cut-off", TEXT("cut off")},
    {"no-picture-in-it", TEXT("no picture in it")},
    {"damaged", TEXT("damaged")},
    {"cut-off-or-damaged", TEXT("cut off or damaged")},
    {"another-layout-of-pixels", TEXT("another layout of pixels")},
    {"too-short-or-unreadable", TEXT("too short or unreadable")},
    {"no-whole-frame", TEXT("no whole frame is in it")},
    {"another-size", TEXT("it is of another size than the first")},
    {"another-kind-of-file", TEXT("another kind of file")},
    // Discs.
    {"no-edge-of-the-sun", TEXT("no edge of the Sun was found in the picture")},
    {"picture-too-small", TEXT("the picture is too small to hold an edge of the Sun")},
    {"picture-too-dim",
     TEXT(
         "the picture is too dim: nothing in it stands out by a hundredth of full; expose longer")},
    {"picture-too-bright", TEXT("the picture is full all over; expose shorter")},
    // Clips that are reduced.
    {"no-structure",
     TEXT("nothing in it is found again from frame to frame: cloud, an empty field, or far out of "
          "focus")},
    {"another-sun",
     TEXT(
         "its disc is %1 times as large as the light path draws it: it was taken with another one, "
         "or is no Sun")},
    {"too-few-to-hold", TEXT("what is to be held is found in fewer than two of them")},
    {"disc-not-moved", TEXT("its disc has to lie at different places, across and along")},
    {"no-orientation", TEXT("it does not say where solar north is")},
    {"no-time", TEXT("it does not say when it was taken")},
    {"no-overlap", TEXT("nothing in it is found in the other panels")},
    {"another-scale", TEXT("it is of another scale than the first")},
    {"grey-and-colour", TEXT("grey and colour cannot be joined")},
    {"another-disc", TEXT("it shows a disc of another size")},
    {"another-file", TEXT("it is no longer the file that the recipe was made with")},
    // The light path.
    {"stopped-by-rules", TEXT("the safety rules stop this light path: %1")},
    {"telescope-and-camera", TEXT("a telescope and a camera behind it")},
    {"telescope-and-eyepiece", TEXT("a telescope and an eyepiece without a camera behind it")},
    {"photographic-camera", TEXT("a photographic camera at the end of the light path")},
    {"video-camera", TEXT("a video camera at the end of the light path")},
    // Files and folders.
    {"reported", "%1"},
    {"kept-so-far", TEXT("writing stopped (%2); the first %1 frames are kept")},
    {"no-such-file", TEXT("no such file")},
    {"no-file-name", TEXT("it is no file name")},
    {"is-a-folder", TEXT("it is a folder")},
    {"not-a-plain-file", TEXT("it is not a plain file")},
    {"is-read", TEXT("this file is also an input; choose another name")},
    {"not-installed", TEXT("it is not installed with the program")},
    {"no-log-in", TEXT("no log in %1")},
    {"held-by-process", TEXT("held by process %1")},
    // Devices.
    {"no-device", TEXT("nothing listens there")},
    {"device-gone", TEXT("it has closed the connection")},
    {"device-silent", TEXT("it does not answer")},
    {"device-garbage", TEXT("it says nothing that can be understood")},
    {"device-refuses", TEXT("it refuses: %1")},
    {"device-listens-already", TEXT("another process listens there")},
    {"not-yours-alone", TEXT("it does not belong to you alone")},
    {"place-or-sun", TEXT("--sun, or --ra and --dec together")},
    {"held-by-another-process", TEXT("held by another process")},
    {"too-many-frames-of-one-instant", TEXT("too many frames of one instant")},
};

/// `lead; needs what would do`, or the lead alone when nothing is known of that.
std::string with_accepted(std::string lead, const Error& error, const char* joint,
                          const Voice& voice) {
  const std::string accepted = remark_words(error.accepted, voice);
  return accepted.empty() ? std::move(lead) : filled(voice.say(joint), {lead, accepted});
}

std::string with_reason(const std::string& lead, const Error& error, const Voice& voice) {
  const std::string reason =
      error.reason.id.empty() ? error.value : remark_words(error.reason, voice);
  return reason.empty() ? lead : lead + " (" + reason + ")";
}

constexpr const char* kMissing = TEXT("is missing");
constexpr const char* kValueWrongKind = TEXT("%1 is of the wrong kind");
constexpr const char* kWrongKind = TEXT("is of the wrong kind");
constexpr const char* kOutOfRange = TEXT("is out of range");
constexpr const char* kValueOutOfRange = TEXT("%1 is out of range");
constexpr const char* kNotKnown = TEXT("\"%1\" is not known");
constexpr const char* kNotTaken = TEXT("is not taken");
constexpr const char* kMalformed = TEXT("cannot be understood");
constexpr const char* kNewer = TEXT("version %1 is newer than this program");
constexpr const char* kTooLarge = TEXT("is too large");
constexpr const char* kUnreadable = TEXT("cannot be read");
constexpr const char* kUnwritable = TEXT("cannot be written; nothing was changed");
constexpr const char* kNotFound = TEXT("was not found");
constexpr const char* kCancelled = TEXT("was cancelled; nothing was written");
constexpr const char* kInLine = TEXT("line %1, %2");
constexpr const char* kNeeds = TEXT("%1; needs %2");
constexpr const char* kAccepted = TEXT("%1; accepted: %2");
constexpr const char* kReads = TEXT("%1; this program reads %2");

}  // namespace

std::string remark_words(const base::Remark& remark, const Voice& voice) {
  const char* text = text_of(kRemarks, remark.id);
  if (text == nullptr) {
    return {};
  }
  std::vector<std::string> values;
  values.reserve(remark.figures.size() + 1);
  for (const double figure : remark.figures) {
    constexpr int kMostDecimals = 6;
    values.push_back(voice.number(figure, kMostDecimals));
  }
  if (!remark.detail.empty()) {
    values.push_back(remark.detail);
  }
  return filled(voice.say(text), values);
}

std::string beside_field(const Error& error, const Voice& voice) {
  const auto said = [&](const char* text) { return filled(voice.say(text), {error.value}); };
  switch (error.code) {
    case ErrorCode::kMissing:
      return error.reason.id.empty() ? with_accepted(said(kMissing), error, kNeeds, voice)
                                     : remark_words(error.reason, voice);
    case ErrorCode::kWrongType:
      return with_accepted(error.reason.id.empty() ? said(kValueWrongKind)
                                                   : with_reason(said(kWrongKind), error, voice),
                           error, kNeeds, voice);
    case ErrorCode::kOutOfRange:
      return with_accepted(error.value.empty() ? said(kOutOfRange) : said(kValueOutOfRange), error,
                           kAccepted, voice);
    case ErrorCode::kUnknownValue:
      return with_accepted(
          error.reason.id.empty() ? said(kNotKnown) : with_reason(said(kNotTaken), error, voice),
          error, kAccepted, voice);
    case ErrorCode::kMalformed:
      return with_accepted(with_reason(said(kMalformed), error, voice), error, kNeeds, voice);
    case ErrorCode::kVersion:
      return with_accepted(said(kNewer), error, kReads, voice);
    case ErrorCode::kTooLarge:
      return with_accepted(with_reason(said(kTooLarge), error, voice), error, kAccepted, voice);
    case ErrorCode::kUnreadable:
      return with_reason(said(kUnreadable), error, voice);
    case ErrorCode::kUnwritable:
      if (error.reason.id == "kept-so-far") {
        return remark_words(error.reason, voice);
      }
      return with_reason(said(kUnwritable), error, voice);
    case ErrorCode::kNotFound:
      return error.reason.id.empty() ? with_reason(said(kNotFound), error, voice)
                                     : remark_words(error.reason, voice);
    case ErrorCode::kCancelled:
      return said(kCancelled);
  }
  return {};
}

std::string sentence(const Error& error, const Voice& voice) {
  const std::string field =
      error.line > 0 ? filled(voice.say(kInLine), {std::to_string(error.line), error.field})
                     : error.field;
  return base::without_controls(field + ": " + beside_field(error, voice));
}

}  // namespace solarchon::words
