// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/part_words.h"

#include "app/model/phrases.h"
#include "solarchon/words/parts.h"

namespace solarchon::app {

QString kind_name(const optics::Part& part) { return text(words::kind_name(part, voice())); }

ParameterWords parameter_words(std::string_view key) {
  const words::ParameterWords found = words::parameter_words(key, voice());
  return {text(found.label), text(found.unit), text(found.reason)};
}

QString zero_words(std::string_view key) { return text(words::zero_words(key, voice())); }

QString choice_word(std::string_view word) { return text(words::choice_word(word, voice())); }

QString face_name(optics::Face face) { return text(words::face_name(face, voice())); }

}  // namespace solarchon::app
