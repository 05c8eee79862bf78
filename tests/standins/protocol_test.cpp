// SPDX-License-Identifier: GPL-3.0-or-later
#include <sys/socket.h>
#include <sys/stat.h>
#include <sys/un.h>
#include <sys/wait.h>
#include <unistd.h>

#include <atomic>
#include <chrono>
#include <csignal>
#include <thread>

#include "solarchon/base/json.h"
#include "solarchon/devices/mount_client.h"
#include "tests/cli/cli_support.h"
#include "tests/standins/rogue.h"
#include "tests/standins/served.h"
#include "tests/support/support.h"

namespace solarchon::standins {
namespace {

using base::Json;
using devices::Listener;
using devices::MountClient;
using test::Rogue;

double seconds_since(std::chrono::steady_clock::time_point begun) {
  return std::chrono::duration<double>(std::chrono::steady_clock::now() - begun).count();
}

/// A stand-in that lives by the computer's clock.
class Served : public test::Served {
 public:
  explicit Served(const std::filesystem::path& path)
      : test::Served(path, StandInMount(build(), now(), 1)) {}

 private:
  static Build build() {
    Build made;
    made.observer = {{"", 36.07, -5.58, 42.0, "UTC"}, {0.0, 15.0}, 0.0};
    made.slew_deg_s = 20.0;
    return made;
  }
  static sky::UtcTime now() {
    return {std::chrono::duration_cast<std::chrono::milliseconds>(
                std::chrono::system_clock::now().time_since_epoch())
                .count()};
  }
};

class Protocol : public testing::Test {
 protected:
  [[nodiscard]] std::filesystem::path path() const { return folder / "mount"; }
  test::TempFolder folder;
};

TEST_F(Protocol, AMountIsDrivenOverItsSocket) {
  const Served served(path());
  auto mount = MountClient::open(path());
  ASSERT_TRUE(mount);
  EXPECT_EQ(mount->card().name, "Stand-in mount, equatorial");
  EXPECT_TRUE(mount->track(devices::Tracking::kSun));
  const auto state = mount->state();
  ASSERT_TRUE(state);
  EXPECT_EQ(state->tracking, devices::Tracking::kSun);
  EXPECT_TRUE(mount->go_to(state->right_ascension_deg, 60.0));
  const auto begun = std::chrono::steady_clock::now();
  while (mount->state().value().duty != devices::Duty::kStanding && seconds_since(begun) < 20.0) {
    std::this_thread::sleep_for(std::chrono::milliseconds(20));
  }
  EXPECT_NEAR(mount->state().value().declination_deg, 60.0, 0.1);
  EXPECT_FALSE(mount->take_events().empty());
  EXPECT_TRUE(mount->take_events().empty());
  EXPECT_TRUE(mount->move(0.0, -1.0));
  EXPECT_EQ(mount->state().value().duty, devices::Duty::kMoving);
  EXPECT_TRUE(mount->stop());
  EXPECT_TRUE(mount->park());
  const auto refused = mount->track(devices::Tracking::kSun);
  ASSERT_FALSE(refused);
  EXPECT_EQ(refused.error().reason.detail, "parked");
}

TEST_F(Protocol, ManyProgramsMayWatchOneMount) {
  const Served served(path());
  auto first = MountClient::open(path());
  auto second = MountClient::open(path());
  ASSERT_TRUE(first && second);
  EXPECT_TRUE(first->track(devices::Tracking::kSidereal));
  EXPECT_EQ(second->state().value().tracking, devices::Tracking::kSidereal);
}

TEST_F(Protocol, TheStandInOutlivesWhoeverShoutsAtIt) {
  const Served served(path());
  auto shouting = devices::connect_to(path());
  ASSERT_TRUE(shouting);
  base::Random random({5});
  for (int i = 0; i < 200; ++i) {
    std::string line;
    for (std::size_t k = random.below(200); k > 0; --k) {
      line += static_cast<char>(random.below(256));
    }
    (void)shouting->send(line + '\n', sky::seconds(1.0)).has_value();
    (void)shouting->receive(sky::seconds(0.0)).has_value();
  }
  const std::string much(1U << 20U, 'x');
  for (int i = 0; i < 10; ++i) {
    (void)shouting->send(much, sky::seconds(1.0)).has_value();
  }
  auto mount = MountClient::open(path());
  ASSERT_TRUE(mount);
  EXPECT_TRUE(mount->state());
}

TEST_F(Protocol, SocketsAreForTheirOwnerAlone) {
  const Listener listener = Listener::at(path()).value();
  struct stat found {};
  ASSERT_EQ(lstat(path().c_str(), &found), 0);
  EXPECT_EQ(found.st_mode & 0077, 0U);
  EXPECT_FALSE(Listener::at(path()));  // somebody listens
}

TEST_F(Protocol, AFileThatADeadProcessLeftIsReplacedAndOthersAreNot) {
  {
    const int left = socket(AF_UNIX, SOCK_STREAM, 0);
    sockaddr_un address{};
    address.sun_family = AF_UNIX;
    const std::string text = path().string();
    std::copy(text.begin(), text.end(), std::begin(address.sun_path));
    ASSERT_EQ(bind(left, reinterpret_cast<const sockaddr*>(&address), sizeof(address)), 0);
    close(left);
  }
  EXPECT_TRUE(Listener::at(path()));
  test::write_text(path(), "kept");
  EXPECT_FALSE(Listener::at(path()));
  EXPECT_EQ(test::read_text(path()), "kept");
}

std::optional<devices::Request> request_in(const std::string& line) {
  const auto message = devices::read_message(line);
  const auto* request = message ? std::get_if<devices::Request>(&*message) : nullptr;
  return request != nullptr ? std::optional(*request) : std::nullopt;
}

/// What an honest mount would answer.
Json usual_result(const devices::Request& request) {
  if (request.method == "hello") {
    return {{"protocol", 1}, {"name", "Rogue"}};
  }
  if (request.method == "mount.state") {
    devices::MountState state;
    state.time = test::morning();
    return devices::to_json(state);
  }
  return Json::object();
}

TEST_F(Protocol, ThousandRandomFaultsAreSaidAndSurvived) {
  base::Random random({11});
  std::atomic<int> faults{0};
  const auto good = [](const std::string& line) {
    const auto request = request_in(line);
    return request ? devices::to_line(devices::Answer{request->id, usual_result(*request), {}, {}})
                   : std::string();
  };
  const Rogue rogue(Listener::at(path()).value(), [&](const std::string& line) -> std::string {
    if (line.find("hello") != std::string::npos) {
      return good(line);
    }
    ++faults;
    const std::string right = good(line);
    switch (random.below(9)) {
      case 0:
        return "garbage \xff\xfe\n" + right;
      case 1:
        return right.substr(0, right.size() / 2) + '\n' + right;  // half a line
      case 2:
        return std::string(100'000, 'x') + '\n' + right;
      case 3:  // an answer to another question comes first
        return devices::to_line(devices::Answer{99999, base::Json{{"late", true}}, {}, {}}) + right;
      case 4:
        return Rogue::kHangUp;
      case 5: {  // it lies about its place
        auto lie = Json::parse(right);
        lie["result"]["altitude_deg"] = 1000.0;
        return lie.dump() + '\n';
      }
      case 6:
        return devices::to_line(devices::Event{"mount.held", base::Json{{"by", "cable"}}}) + right;
      case 7: {
        std::string all;
        for (int i = 0; i < 60; ++i) {
          all += "{}\n";
        }
        return all;
      }
      default:
        return right + right;
    }
  });
  auto mount = MountClient::open(path());
  ASSERT_TRUE(mount);
  int said = 0;
  while (faults < 1000) {
    const auto begun = std::chrono::steady_clock::now();
    const auto state = mount->state();
    EXPECT_LT(seconds_since(begun), 2.5);
    if (!state) {
      ++said;
      EXPECT_FALSE(state.error().field.empty());
      mount = MountClient::open(path());  // and on it goes
      ASSERT_TRUE(mount);
    } else {
      EXPECT_EQ(state->time, test::morning());
    }
  }
  EXPECT_GT(said, 100);
}

/// Whatever the device gets wrong is no bad input of who asks.
TEST_F(Protocol, FaultsOfTheDeviceAreFailuresOnOneShortLine) {
  int way = 0;
  const Rogue rogue(Listener::at(path()).value(), [&](const std::string& line) -> std::string {
    const auto request = request_in(line);
    if (!request) {
      return {};
    }
    Json result = usual_result(*request);
    if (request->method == "mount.state") {
      if (way == 1) {
        result["altitude_deg"] = 1000.0;
      } else if (way == 2) {
        result.erase("duty");
      } else if (way == 3) {
        result = "yes";
      } else if (way == 4) {
        return devices::to_line(devices::Answer{
            request->id, {}, devices::Fault::kOfTheDevice, std::string(50'000, 'x')});
      }
    }
    return devices::to_line(devices::Answer{request->id, result, {}, {}});
  });
  for (way = 0; way < 5; ++way) {
    const cli::Outcome outcome = cli::call(cli::words("mount state --socket " + path().string()));
    EXPECT_EQ(outcome.code, way == 0 ? 0 : 1) << way << ": " << outcome.err;
    EXPECT_LE(outcome.err.size(), 300U) << way;
    EXPECT_EQ(std::count(outcome.err.begin(), outcome.err.end(), '\n'), way == 0 ? 0 : 1);
  }
}

TEST_F(Protocol, SilenceIsSaidWithinTwoSeconds) {
  const Rogue silent(Listener::at(path()).value(),
                     [](const std::string&) { return std::string(); });
  const auto begun = std::chrono::steady_clock::now();
  const auto mount = MountClient::open(path());
  ASSERT_FALSE(mount);
  EXPECT_LT(seconds_since(begun), 2.5);
  EXPECT_EQ(mount.error().reason.id, "device-silent");
}

TEST_F(Protocol, AStreamWithoutAnEndIsNotWaitedFor) {
  const Rogue endless(Listener::at(path()).value(),
                      [](const std::string&) { return std::string(10'000'000, 'x'); });
  const auto begun = std::chrono::steady_clock::now();
  EXPECT_FALSE(MountClient::open(path()));
  EXPECT_LT(seconds_since(begun), 2.5);
}

TEST_F(Protocol, AnotherProtocolIsRefused) {
  const Rogue other(Listener::at(path()).value(), [](const std::string& line) {
    const auto message = devices::read_message(line);
    const auto& request = std::get<devices::Request>(*message);
    return devices::to_line(devices::Answer{request.id, base::Json{{"protocol", 9}}, {}, {}});
  });
  const auto mount = MountClient::open(path());
  ASSERT_FALSE(mount);
  EXPECT_EQ(mount.error().code, base::ErrorCode::kVersion);
}

TEST_F(Protocol, TheExampleBridgeIsDrivenToo) {
  const std::string text = path().string();
  const pid_t bridge = fork();
  if (bridge == 0) {
    execlp("python3", "python3", MOUNT_BRIDGE, "--socket", text.c_str(), nullptr);
    _exit(1);
  }
  auto mount = MountClient::open(path());
  for (const auto begun = std::chrono::steady_clock::now();
       !mount && seconds_since(begun) < 10.0;) {
    std::this_thread::sleep_for(std::chrono::milliseconds(50));
    mount = MountClient::open(path());
  }
  EXPECT_TRUE(mount);
  if (mount) {
    EXPECT_EQ(mount->card().name, "Example bridge");
    EXPECT_TRUE(mount->go_to(120.0, 21.0));
    EXPECT_DOUBLE_EQ(mount->state().value().declination_deg, 21.0);
    EXPECT_TRUE(mount->track(devices::Tracking::kSun));
    EXPECT_FALSE(mount->park());  // it cannot
    EXPECT_FALSE(mount->call("mount.go", Json::object()));
    EXPECT_TRUE(mount->state());
  }
  kill(bridge, SIGKILL);
  waitpid(bridge, nullptr, 0);
}

TEST_F(Protocol, TheCommandLineDrivesIt) {
  const Served served(path());
  const std::string at = " --socket " + path().string();
  const cli::Outcome state = cli::call(cli::words("mount state" + at));
  ASSERT_EQ(state.code, 0) << state.err;
  EXPECT_EQ(state.json().at("duty"), "standing");
  EXPECT_EQ(cli::call(cli::words("mount track sun" + at)).json().at("tracking"), "sun");
  const std::string here =
      " --ra " + std::to_string(state.json().at("right_ascension_deg").get<double>()) + at;
  EXPECT_EQ(cli::call(cli::words("mount synchronise --dec 80" + here)).json().at("synchronised"),
            true);
  EXPECT_EQ(cli::call(cli::words("mount goto --dec 70" + here)).json().at("duty"), "going");
  const cli::Outcome moving = cli::call(cli::words("mount synchronise --dec 70" + here));
  EXPECT_EQ(moving.code, 1) << "it does not know where it looks while it goes";
  EXPECT_NE(moving.err.find("going"), std::string::npos) << moving.err;
  EXPECT_EQ(cli::call(cli::words("mount stop" + at)).json().at("tracking"), "off");
  cli::expect_bad_input(cli::call(cli::words("mount goto --ra 10" + at)), "dec");
  cli::expect_bad_input(cli::call(cli::words("mount goto --ra 400 --dec 0" + at)), "ra");
  cli::expect_bad_input(cli::call(cli::words("mount goto --sun --ra 10 --dec 3" + at)), "sun");
  cli::expect_bad_input(cli::call(cli::words("mount track moon" + at)), "rate");
  const cli::Outcome nobody = cli::call(cli::words("mount state --socket /nowhere/mount"));
  EXPECT_EQ(nobody.code, 1);
  EXPECT_NE(nobody.err.find("nothing listens"), std::string::npos) << nobody.err;
}

}  // namespace
}  // namespace solarchon::standins
