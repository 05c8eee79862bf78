// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/words/words.h"

#include "solarchon/base/text.h"

namespace solarchon::words {

using base::Error;
using base::ErrorCode;

namespace {

/// `lead: accepted`, or the lead alone when nothing is known of what would do.
std::string with_accepted(const std::string& lead, const Error& error, const char* joint) {
  return error.accepted.empty() ? lead : lead + joint + error.accepted;
}

std::string with_reason(const std::string& lead, const Error& error) {
  return error.value.empty() ? lead : lead + " (" + error.value + ")";
}

/// Why a picture has no edge of the Sun to measure.
std::string edge_not_found(const std::string& why) {
  if (why == "too dim") {
    return "the picture is too dim: nothing in it stands out by a hundredth of full; expose longer";
  }
  if (why == "too bright") {
    return "the picture is full all over; expose shorter";
  }
  if (why == "too small") {
    return "the picture is too small to hold an edge of the Sun";
  }
  return "no edge of the Sun was found in the picture";
}

}  // namespace

std::string beside_field(const Error& error) {
  switch (error.code) {
    case ErrorCode::kMissing:
      return with_accepted("is missing", error, "; needs ");
    case ErrorCode::kWrongType:
      return with_accepted(error.value + " is of the wrong kind", error, "; needs ");
    case ErrorCode::kOutOfRange:
      return with_accepted(error.value + " is out of range", error, "; accepted: ");
    case ErrorCode::kUnknownValue:
      return with_accepted("\"" + error.value + "\" is not known", error, "; accepted: ");
    case ErrorCode::kMalformed:
      return with_accepted(with_reason("cannot be understood", error), error, "; needs ");
    case ErrorCode::kVersion:
      return with_accepted("version " + error.value + " is newer than this program", error,
                           "; reads ");
    case ErrorCode::kTooLarge:
      return with_accepted(with_reason("is too large", error), error, "; accepted: ");
    case ErrorCode::kUnreadable:
      return with_reason("cannot be read", error);
    case ErrorCode::kUnwritable:
      return with_reason("cannot be written; nothing was changed", error);
    case ErrorCode::kNotFound:
      return error.field == "limb" ? edge_not_found(error.value)
                                   : with_reason("was not found", error);
    case ErrorCode::kCancelled:
      return "was cancelled; nothing was written";
  }
  return "failed";
}

std::string sentence(const Error& error) {
  return base::without_controls(error.field + ": " + beside_field(error));
}

}  // namespace solarchon::words
