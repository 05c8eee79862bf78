// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/words/align.h"
#include "solarchon/words/errors.h"

#include <gtest/gtest.h>

#include <set>

#include "solarchon/base/range.h"
#include "solarchon/optics/parameters.h"
#include "solarchon/words/advise.h"
#include "solarchon/words/parts.h"
#include "solarchon/words/safety.h"
#include "tests/support/support.h"

namespace solarchon::words {
namespace {

using base::Error;
using base::ErrorCode;

TEST(Sentence, NamesTheFieldTheValueAndWhatWouldDo) {
  EXPECT_EQ(sentence({ErrorCode::kOutOfRange, "lat", "95", base::within({-90.0, 90.0})}),
            "lat: 95 is out of range; accepted: -90 to 90");
  EXPECT_EQ(
      sentence({ErrorCode::kUnknownValue, "kind", "magic", base::one_of({"camera", "diagonal"})}),
      "kind: \"magic\" is not known; accepted: camera, diagonal");
  EXPECT_EQ(sentence({ErrorCode::kMissing, "name"}), "name: is missing");
}

TEST(Sentence, IsOneLineForEveryCode) {
  for (int code = 0; code <= static_cast<int>(ErrorCode::kCancelled); ++code) {
    const std::string line = sentence({static_cast<ErrorCode>(code), "field", "a\nvalue",
                                       base::wants("one-of", {}, "more\nlines")});
    EXPECT_EQ(line.find('\n'), std::string::npos);
    EXPECT_EQ(line.rfind("field: ", 0), 0U);
    EXPECT_GT(line.size(), 12U);
  }
}

TEST(Sentence, NamesTheLineOfAFile) {
  Error error{ErrorCode::kWrongType, "wind_m_s", "x", base::wants("number")};
  error.line = 3;
  EXPECT_EQ(sentence(error), "line 3, wind_m_s: x is of the wrong kind; needs a number");
}

TEST(Remarks, PutTheirFiguresInPlace) {
  EXPECT_EQ(remark_words(base::wants("at-most-bytes", {4096.0})), "at most 4096 bytes");
  EXPECT_EQ(remark_words(base::because("pixels", {20000.0, 6000.0})), "20000 x 6000 pixels");
  EXPECT_EQ(remark_words(base::within({-0.9, 0.9})), "-0.9 to 0.9");
  EXPECT_EQ(remark_words({}), "");
  EXPECT_EQ(remark_words(base::because("nobody-has-words-for-this")), "");
}

TEST(Voice, WritesFiguresWithTheirUnits) {
  const Voice& voice = english();
  EXPECT_EQ(voice.figure({102.0, base::Unit::kMillimetre}), "102 mm");
  EXPECT_EQ(voice.figure({101.6, base::Unit::kMillimetre}), "101.6 mm");
  EXPECT_EQ(voice.figure({5.0, base::Unit::kOpticalDensity}), "OD 5");
  EXPECT_EQ(voice.figure({8.8, base::Unit::kFocalRatio}), "f/8.8");
  EXPECT_EQ(voice.figure({1.55, base::Unit::kDegree}), "1.55\u00b0");
  EXPECT_EQ(voice.figure({180.0, base::Unit::kDay}), "180");
  EXPECT_EQ(voice.figure({-0.001, base::Unit::kMillimetre}), "0 mm");
  EXPECT_EQ(voice.rounded({0.12345, base::Unit::kMillisecond}), "0.123 ms");
  EXPECT_EQ(voice.rounded({1234.5, base::Unit::kPixel}), "1234 px");
  EXPECT_EQ(voice.rounded({0.0088, base::Unit::kOpticalDensity}), "OD 0.01");
  EXPECT_EQ(voice.rounded({0.0, base::Unit::kWatt}), "0 W");
}

TEST(Filled, LooksAtNothingThatWasPutIn) {
  EXPECT_EQ(filled("%1 before %2, %1", {"%2", "b"}), "%2 before b, %2");
  EXPECT_EQ(filled("100 % of %1%", {"a"}), "100 % of a%");
  EXPECT_EQ(filled("%3", {"a"}), "%3");
}

/// Whatever light path there is, nothing that is said of it is without words.
TEST(Words, AreThereForAllThatIsSaidOfALightPath) {
  std::set<std::string_view> misfits;
  for (std::uint32_t seed = 0; seed < 3000; ++seed) {
    base::Random dice{seed};
    const optics::Rig rig =
        seed % 2 == 0 ? test::random_rig(dice) : test::usual_train(dice.below(5));
    const optics::Train train = optics::follow_light(rig, 959.63);
    advise::Situation situation;
    situation.seeing_arcsec = dice.uniform(0.3, 15.0);
    situation.practice = {dice.below(3), 180 + static_cast<int>(dice.below(300)), true, true};
    for (const advise::Misfit& misfit : advise::misfits_of(rig, train, situation)) {
      misfits.insert(misfit.id);
      const MisfitWords said = misfit_words(misfit.id, misfit.variant);
      EXPECT_FALSE(said.what.empty() || said.why.empty()) << misfit.id << ' ' << misfit.variant;
      EXPECT_TRUE(!misfit.key_figure || !name_of(*misfit.key_figure).empty()) << misfit.id;
    }
    const safety::Assessment safety = safety::assess(rig, train, situation.practice);
    for (const safety::Assumption& assumption : safety.assumptions) {
      const std::string said = assumption_words(assumption);
      EXPECT_TRUE(!said.empty() && said.find('%') == std::string::npos) << assumption.id;
    }
    for (const safety::Finding& finding : safety.findings) {
      EXPECT_FALSE(rule_words(finding.rule).next_step.empty()) << finding.rule;
      EXPECT_TRUE(finding.figures.empty() || !figures_words(finding).empty()) << finding.rule;
      EXPECT_EQ(figures_words(finding).find('%'), std::string::npos) << figures_words(finding);
    }
  }
  EXPECT_GE(misfits.size(), 12U);  // the paths were not all alike
}

TEST(Words, NameEveryKindOfPartAndItsProperties) {
  for (const std::string& kind : optics::kinds()) {
    const optics::Part part = *optics::part_of_kind(kind);
    EXPECT_EQ(kind_name(part).find("Unknown"), std::string::npos) << kind;
    for (const optics::Parameter& parameter : optics::parameters_of(part)) {
      EXPECT_NE(parameter_words(parameter.key).label, parameter.key);
      EXPECT_FALSE(parameter_words(parameter.key).reason.empty()) << parameter.key;
      for (const std::string& word : parameter.words) {
        EXPECT_NE(choice_word(word), word);
      }
    }
  }
  optics::Element mask;
  mask.part = optics::ApertureMask{79.8, false};
  EXPECT_EQ(name_of(mask), "Mask cut from card, 80 mm");
  mask.name = "Ours";
  EXPECT_EQ(name_of(mask), "Ours");
}

TEST(AdviceWords, StandForEveryAdviceAndEndWithAPoint) {
  const std::vector<base::Figure> figures{{0.208333, base::Unit::kDegree},
                                          {12.5, base::Unit::kArcminute}};
  for (const char* id :
       {"lower-the-axis", "raise-the-axis", "turn-the-axis-west", "turn-the-axis-east",
        "within-the-doubt", "too-few-drifts", "cannot-tell-apart", "runs-disagree", "measure-at"}) {
    const std::string words = advice_words({id, figures});
    EXPECT_TRUE(words.ends_with('.')) << id << ": " << words;
    EXPECT_EQ(words.find('%'), std::string::npos) << words;
  }
  EXPECT_EQ(advice_words({"lower-the-axis", figures}),
            "Lower the raised end of the axis by 0.208\u00b0 (12.5\u2032).");
  EXPECT_EQ(advice_words({"pray", figures}), "");
}

TEST(BesideField, LeavesOutTheFieldAndEmptyParts) {
  EXPECT_EQ(beside_field({ErrorCode::kUnreadable, "f"}), "cannot be read");
  EXPECT_EQ(beside_field({ErrorCode::kUnwritable, "f", {}, {}, base::reported("No space left")}),
            "cannot be written; nothing was changed (No space left)");
  EXPECT_EQ(
      beside_field({ErrorCode::kNotFound, "limb", {}, {}, base::because("no-edge-of-the-sun")}),
      "no edge of the Sun was found in the picture");
}

}  // namespace
}  // namespace solarchon::words
