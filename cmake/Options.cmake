# One interface target carries warnings and sanitizers; every target of ours links it.
add_library(solarchon_options INTERFACE)
target_compile_options(solarchon_options INTERFACE
  -Wall -Wextra -Wpedantic -Wshadow -Wnon-virtual-dtor -Wold-style-cast -Woverloaded-virtual
  -Wcast-align -Wunused -Wdouble-promotion -Wformat=2
  $<$<BOOL:${SOLARCHON_WERROR}>:-Werror>
  # GCC 12 reports the first two falsely inside std::string and std::optional at -O2 and above.
  -Wno-restrict -Wno-maybe-uninitialized -Wno-unknown-warning-option)
if(SOLARCHON_SANITIZE)
  target_compile_options(solarchon_options INTERFACE -fsanitize=address,undefined
    -fno-sanitize-recover=all -fno-omit-frame-pointer)
  target_link_options(solarchon_options INTERFACE -fsanitize=address,undefined)
endif()
