// SPDX-License-Identifier: GPL-3.0-or-later
#include <exception>
#include <iostream>

#include "cli/cli.h"

int main(int argc, char** argv) {
  try {
    return solarchon::cli::run({argv + 1, argv + argc}, std::cout, std::cerr);
  } catch (const std::exception& problem) {
    std::cerr << "solarchon-cli: " << problem.what() << '\n';
    return 1;
  }
}
