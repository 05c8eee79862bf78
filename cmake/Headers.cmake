# Headers that most units of a layer read and nobody changes are compiled once for it: the standard's
# heavy ones for core/, gtest's for the tests, Qt's for the windows. What is in them is still included
# where it is used: the preset `tidy` has none of this, and clang-tidy reads every unit without them.
#
# solarchon_headers(NAME LINKS libraries... HEADERS headers...): defines target solarchon_NAME_headers.
# solarchon_use_headers(TARGET NAME): TARGET has the same options, as compilers demand.
set(SOLARCHON_STANDARD_HEADERS
  <algorithm> <array> <chrono> <cmath> <cstdint> <filesystem> <functional> <map> <memory> <numeric>
  <optional> <span> <sstream> <stop_token> <string> <string_view> <thread> <utility> <variant> <vector>
  <tl/expected.hpp>)

function(solarchon_headers name)
  cmake_parse_arguments(ARG "FAST;INSTRUMENTED" "" "LINKS;HEADERS" ${ARGN})
  set(target solarchon_${name}_headers)
  add_library(${target} OBJECT ${PROJECT_SOURCE_DIR}/cmake/headers.cpp)
  target_link_libraries(${target} PRIVATE solarchon_options tl::expected ${ARG_LINKS})
  if(ARG_FAST)
    solarchon_fast(${target})
  endif()
  if(ARG_INSTRUMENTED)
    solarchon_instrument(${target})
  endif()
  set_target_properties(${target} PROPERTIES AUTOMOC OFF UNITY_BUILD OFF)
  target_precompile_headers(${target} PRIVATE ${ARG_HEADERS})
endfunction()

function(solarchon_use_headers target name)
  target_precompile_headers(${target} REUSE_FROM solarchon_${name}_headers)
endfunction()
