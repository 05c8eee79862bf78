# solarchon_suites(TARGET NAME [ONLY cases...] [WITHOUT cases...] [PROPERTIES ...])
#
# ctest runs TARGET's suites, one process each, as NAME:SUITE; ONLY some cases of them, or all WITHOUT some
# (SUITE.CASE). The suites are asked of the program itself when ctest starts, so that none can be forgotten.
function(solarchon_suites target name)
  cmake_parse_arguments(ARG "" "" "ONLY;WITHOUT;PROPERTIES" ${ARGN})
  list(JOIN ARG_PROPERTIES " " properties)
  list(JOIN ARG_ONLY " " only)
  list(JOIN ARG_WITHOUT " " without)
  file(GENERATE OUTPUT ${CMAKE_CURRENT_BINARY_DIR}/${name}_suites.cmake CONTENT
"set(program \"$<TARGET_FILE:${target}>\")
set(name ${name})
set(only ${only})
set(without ${without})
set(properties ${properties})
include(\"${PROJECT_SOURCE_DIR}/cmake/AddSuites.cmake\")
")
  set_property(DIRECTORY APPEND PROPERTY TEST_INCLUDE_FILES ${CMAKE_CURRENT_BINARY_DIR}/${name}_suites.cmake)
endfunction()
