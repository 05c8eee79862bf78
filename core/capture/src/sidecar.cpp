// SPDX-License-Identifier: GPL-3.0-or-later
#include "sidecar.h"

#include "solarchon/base/file.h"
#include "solarchon/base/json.h"

namespace solarchon::capture {

std::filesystem::path facts_beside(const std::filesystem::path& clip) {
  std::filesystem::path beside = clip;
  beside += ".json";
  return beside;
}

base::Result<void> write_sidecar(const RecordPlan& plan, const RecordState& state, double rate_hz,
                                 bool done) {
  base::Json facts = plan.sidecar.get();
  facts["clip"] = plan.file.filename().string();
  facts["rate_hz"] = rate_hz;
  facts["ended"] = done;
  if (plan.above_share) {
    facts["above_share"] = *plan.above_share;
  }
  if (done) {
    facts["frames"] = state.written;
    facts["dropped"] = state.dropped;
    facts["lost_before"] = state.lost_before;
    facts["passed_over"] = state.passed_over;
    facts["seconds"] = state.seconds;
  }
  return base::write_file(facts_beside(plan.file), base::file_text(facts));
}

}  // namespace solarchon::capture
