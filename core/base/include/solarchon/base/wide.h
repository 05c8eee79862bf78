// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

/// Marks a function that is compiled twice: for any machine, and for one with wide registers, which
/// is chosen when the program starts. Not under the sanitizers, which are not up yet by then.
#if defined(__GNUC__) && !defined(__clang__) && defined(__x86_64__) && \
    !defined(__SANITIZE_ADDRESS__)
#define SOLARCHON_WIDE __attribute__((target_clones("arch=x86-64-v3", "default")))
#else
#define SOLARCHON_WIDE
#endif
