# One interface target carries warnings and sanitizers; every target of ours links it.
add_library(solarchon_options INTERFACE)
target_compile_options(solarchon_options INTERFACE
  -Wall -Wextra -Wpedantic -Wshadow -Wnon-virtual-dtor -Wold-style-cast -Woverloaded-virtual
  -Wcast-align -Wunused -Wdouble-promotion -Wformat=2
  $<$<BOOL:${SOLARCHON_WERROR}>:-Werror>
  # GCC 12 reports the first two falsely inside std::string and std::optional at -O2 and above.
  -Wno-restrict -Wno-maybe-uninitialized -Wno-unknown-warning-option
  # Joined sources have no main file, by which this one judges.
  $<$<BOOL:${CMAKE_UNITY_BUILD}>:-Wno-subobject-linkage>)

# Core is instrumented; its tests, which only call it, and the readers of JSON are not, since they take
# several times as long to build so. Fuzzing instruments everything.
set(SOLARCHON_SANITIZERS -fsanitize=address,undefined -fno-sanitize-recover=all -fno-omit-frame-pointer)
if(SOLARCHON_SANITIZE)
  target_link_options(solarchon_options INTERFACE -fsanitize=address,undefined)
  if(SOLARCHON_FUZZ)
    target_compile_options(solarchon_options INTERFACE ${SOLARCHON_SANITIZERS})
  endif()
endif()

# solarchon_instrument(target sources...): a core target under the sanitizers, but for its JSON.
function(solarchon_instrument target)
  if(NOT SOLARCHON_SANITIZE OR SOLARCHON_FUZZ)
    return()
  endif()
  target_compile_options(${target} PRIVATE ${SOLARCHON_SANITIZERS})
  list(FILTER ARGN INCLUDE REGEX "json\\.cpp$")
  if(ARGN)
    set_source_files_properties(${ARGN} PROPERTIES COMPILE_OPTIONS "-fno-sanitize=all" SKIP_PRECOMPILE_HEADERS ON)
  endif()
endfunction()

# Release code is compiled for speed where it works on pixels and figures (-O3, each room of core/), and
# for a quick build everywhere else.
set(CMAKE_CXX_FLAGS_RELEASE "-O1 -DNDEBUG")
function(solarchon_fast target)
  target_compile_options(${target} PRIVATE $<$<CONFIG:Release>:-O3>)
endfunction()
