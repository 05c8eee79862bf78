// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/safety/handling.h"

#include <algorithm>
#include <set>

#include "solarchon/words/safety.h"
#include "tests/support/support.h"

namespace solarchon::safety {
namespace {

using Order = std::vector<HandlingStep>;

constexpr Occasion kOccasions[] = {Occasion::kSetUp, Occasion::kChange, Occasion::kGuests,
                                   Occasion::kPack};
constexpr Axes kAllAxes[] = {Axes::kNotSaid, Axes::kEquatorial, Axes::kLevel};

bool has(const Order& order, std::string_view id) {
  return std::any_of(order.begin(), order.end(),
                     [&](const HandlingStep& step) { return step.id == id; });
}

std::set<std::string> all_but(const Order& order, std::string_view left_out) {
  std::set<std::string> done;
  for (const HandlingStep& step : order) {
    if (step.id != left_out) {
      done.emplace(step.id);
    }
  }
  return done;
}

/// Any light path, any occasion, any mount.
template <typename Check>
void for_many(const Check& check) {
  for (std::uint32_t seed = 0; seed < 300; ++seed) {
    base::Random random{seed};
    const optics::Rig rig = test::random_rig(random);
    for (const Occasion occasion : kOccasions) {
      for (const Axes axes : kAllAxes) {
        check(handling_order(rig, occasion, axes), occasion);
      }
    }
  }
}

TEST(HandlingOrder, NeedsStandBeforeWhoNeedsThemAndIdsOnce) {
  for_many([](const Order& order, Occasion /*occasion*/) {
    ASSERT_FALSE(order.empty());
    std::set<std::string_view> before;
    for (const HandlingStep& step : order) {
      for (const std::string_view need : step.needs) {
        EXPECT_EQ(before.count(need), 1U) << step.id << " needs " << need;
      }
      EXPECT_TRUE(before.insert(step.id).second) << step.id;
      EXPECT_GT(step.minutes, 0.0) << step.id;
    }
  });
}

TEST(HandlingOrder, DoneInItsOrderNothingIsEverMissing) {
  for_many([](const Order& order, Occasion /*occasion*/) {
    std::set<std::string> done;
    for (const HandlingStep& step : order) {
      EXPECT_TRUE(missing_before(order, done, step.id).empty()) << step.id;
      done.emplace(step.id);
    }
  });
}

TEST(HandlingOrder, LeavingOutAnythingThatProtectsLocksTheSunOut) {
  for_many([](const Order& order, Occasion occasion) {
    std::vector<std::string_view> protecting;
    switch (occasion) {
      case Occasion::kSetUp:
        protecting = {"inspect",  "point-away", "cap-finders", "fit-front",
                      "fit-rear", "fit-end",    "last-look"};
        break;
      case Occasion::kChange:
        protecting = {"away-again", "cap-again", "swap", "look-again"};
        break;
      case Occasion::kGuests:
        protecting = {"guests-away", "tape-front", "lock-rear", "finders-off"};
        break;
      case Occasion::kPack:
        break;
    }
    for (const HandlingStep& step : order) {
      for (const std::string_view left_out : protecting) {
        if (step.exposes && has(order, left_out)) {
          const auto missing = missing_before(order, all_but(order, left_out), step.id);
          EXPECT_EQ(std::count(missing.begin(), missing.end(), left_out), 1)
              << step.id << " without " << left_out;
        }
      }
      EXPECT_FALSE(occasion == Occasion::kPack && step.exposes) << step.id;
    }
  });
}

TEST(HandlingOrder, FollowsTheLightPath) {
  const Order white = handling_order(test::starter_rig(), Occasion::kSetUp, Axes::kEquatorial);
  EXPECT_TRUE(has(white, "fit-front") && has(white, "turn-to-sun") && has(white, "refine-axis"));
  EXPECT_FALSE(has(white, "fit-rear") || has(white, "warm-up") || has(white, "turn-and-uncap"));
  const Order hydrogen = handling_order(test::usual_train(2), Occasion::kSetUp, Axes::kLevel);
  EXPECT_TRUE(has(hydrogen, "fit-rear") && has(hydrogen, "warm-up") && has(hydrogen, "tune"));
  EXPECT_TRUE(has(hydrogen, "level-base"));
  EXPECT_FALSE(has(hydrogen, "axis") || has(hydrogen, "refine-axis") || has(hydrogen, "weights"));
  // The heater is switched on before the Sun is let in, and its wait runs by itself.
  const auto place = [&](std::string_view id) {
    return std::find_if(hydrogen.begin(), hydrogen.end(),
                        [&](const HandlingStep& step) { return step.id == id; });
  };
  EXPECT_LT(place("heater-on"), place("fit-rear")) << "first of all, since it takes longest";
  EXPECT_LT(place("power"), place("turn-and-uncap"));
  EXPECT_TRUE(place("warm-up")->waits);
  ASSERT_EQ(place("warm-up")->parts.size(), 1U);
  // Rear off only once the front is capped.
  const Order pack = handling_order(test::usual_train(2), Occasion::kPack, Axes::kLevel);
  const auto missing = missing_before(pack, {}, "take-rear");
  EXPECT_EQ(std::count(missing.begin(), missing.end(), std::string_view("pack-cap")), 1);
}

/// The places of steps in an order.
class Places {
 public:
  explicit Places(const Order& order) : order_(order) {}
  /// @return  where it stands; past the end where it does not occur
  [[nodiscard]] std::size_t of(std::string_view id) const {
    return static_cast<std::size_t>(
        std::find_if(order_.begin(), order_.end(),
                     [&](const HandlingStep& step) { return step.id == id; }) -
        order_.begin());
  }

 private:
  const Order& order_;
};

TEST(HandlingOrder, TakesDownInReverseWhatItPutUp) {
  for (const Axes axes : {Axes::kEquatorial, Axes::kNotSaid, Axes::kLevel, Axes::kUndriven}) {
    const Order up = handling_order(test::usual_train(2), Occasion::kSetUp, axes);
    const Order down = handling_order(test::usual_train(2), Occasion::kPack, axes);
    const Places set(up);
    const Places pack(down);
    const bool pole = axes == Axes::kEquatorial || axes == Axes::kNotSaid;
    EXPECT_EQ(has(up, "weights"), pole);
    EXPECT_EQ(has(down, "weights-off"), pole);
    EXPECT_LT(set.of("stand"), set.of("tube"));
    EXPECT_LT(set.of("tube"), set.of("fit-rear"));
    EXPECT_LT(pack.of("take-rear"), pack.of("tube-off"));
    if (pole) {
      EXPECT_LT(set.of("weights"), set.of("tube")) << "first on";
      EXPECT_LT(pack.of("tube-off"), pack.of("weights-off")) << "last off";
    }
    EXPECT_EQ(has(up, "power"), axes != Axes::kUndriven);
    EXPECT_EQ(has(down, "power-off"), axes != Axes::kUndriven);
    EXPECT_EQ(has(up, "solar-rate"), axes != Axes::kUndriven);
  }
}

TEST(HandlingOrder, AsksForCapsInFrontAndBehindAtEveryChange) {
  for (int train = 0; train < 4; ++train) {
    const Order order = handling_order(test::usual_train(static_cast<std::size_t>(train)),
                                       Occasion::kChange, Axes::kEquatorial);
    const auto missing = missing_before(order, {}, "back-to-sun");
    for (const char* asked : {"cap-again", "caps-behind"}) {
      EXPECT_EQ(std::count(missing.begin(), missing.end(), std::string_view(asked)), 1) << asked;
    }
  }
}

/// Rows and sentences by what ends the path.
TEST(HandlingOrder, SpeaksOfWhatEndsTheLight) {
  struct Path {
    const char* receiver;
    optics::Rig rig;
    const char* rehearse;
    const char* brief;
  };
  const optics::Rig eye = test::rig_of({"Solar film OD 5.0, 84 mm clear", "Doublet 80 mm f/6",
                                        "Mirror diagonal 1.25 inch", "Eyepiece 20 mm"});
  const optics::Rig screen =
      test::rig_of({"Doublet 60 mm f/6", "Mirror diagonal 1.25 inch",
                    "Two-lens eyepiece 20 mm, uncemented", "Projection screen at 300 mm"});
  const optics::Rig camera =
      test::rig_of({"Solar film OD 5.0, 74 mm clear", "Camera lens 300 mm f/5.6",
                    "Photographic camera 24 Mpx, mirrorless"});
  for (const Path& path :
       {Path{"eye", eye, "Look for a minute", "look only in here"},
        Path{"screen", screen, "on the screen", "look at the screen"},
        Path{"video", test::usual_train(1), "short clip", "look at the display"},
        Path{"camera", camera, "few frames", "look at the display"},
        Path{"phone", test::usual_train(0), "self-timer", "look only in here"}}) {
    const auto said = [&](Occasion occasion, std::string_view id) {
      for (const HandlingStep& step : handling_order(path.rig, occasion, Axes::kEquatorial)) {
        if (step.id == id) {
          return words::handling_words(step).what;
        }
      }
      return std::string();
    };
    EXPECT_THAT(said(Occasion::kSetUp, "rehearse"), testing::HasSubstr(path.rehearse));
    EXPECT_THAT(said(Occasion::kGuests, "brief"), testing::HasSubstr(path.brief));
    // Nobody records a clip with an eye, or holds a card into a projected beam.
    const bool looks_in =
        std::string_view(path.receiver) == "eye" || std::string_view(path.receiver) == "phone";
    EXPECT_EQ(said(Occasion::kGuests, "try-on-card").empty(), !looks_in) << path.receiver;
    EXPECT_EQ(said(Occasion::kGuests, "try-picture").empty(), looks_in) << path.receiver;
    EXPECT_EQ(said(Occasion::kGuests, "box-beam").empty(),
              std::string_view(path.receiver) != "screen");
  }
  // What looks into an eyepiece is put in behind it; a mask goes on with the film.
  const Order phone = handling_order(test::usual_train(0), Occasion::kSetUp, Axes::kEquatorial);
  const auto end = std::find_if(phone.begin(), phone.end(),
                                [](const HandlingStep& step) { return step.id == "fit-end"; });
  ASSERT_NE(end, phone.end());
  EXPECT_EQ(end->parts.size(), 2U);
  const optics::Rig masked = test::rig_of({"Off-axis mask 60 mm", "Solar film OD 5.0, 204 mm clear",
                                           "Newtonian 200 mm f/5", "Eyepiece 20 mm"});
  for (const HandlingStep& step : handling_order(masked, Occasion::kSetUp, Axes::kEquatorial)) {
    if (step.id == "fit-front") {
      EXPECT_THAT(step.parts, testing::Contains("Off-axis mask 60 mm"));
    }
    if (step.id == "inspect") {
      EXPECT_THAT(step.parts, testing::ElementsAre("Solar film OD 5.0, 204 mm clear"));
    }
  }
  // A lamp shows holes in film; wedges and etalons are looked over.
  const Order wedge = handling_order(test::usual_train(1), Occasion::kSetUp, Axes::kEquatorial);
  EXPECT_FALSE(has(wedge, "inspect"));
  EXPECT_TRUE(has(wedge, "inspect-rear"));
}

TEST(MissingBefore, KnowsNothingOfStepsThatAreNotThere) {
  const Order order = handling_order(test::starter_rig(), Occasion::kSetUp, Axes::kEquatorial);
  EXPECT_TRUE(missing_before(order, {}, "dance").empty());
  EXPECT_TRUE(missing_before({}, {}, "stand").empty());
}

}  // namespace
}  // namespace solarchon::safety
