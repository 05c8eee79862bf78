# solarchon_room(NAME sources... USES rooms... LINKS libraries... PUBLIC_LINKS libraries...)
#
# One static library per room. Headers live in core/NAME/include/solarchon/NAME. USES is the whole
# list of rooms whose headers this room may include; CheckRooms.cmake holds the room to it.
function(solarchon_room name)
  cmake_parse_arguments(ARG "" "" "USES;LINKS;PUBLIC_LINKS" ${ARGN})
  get_property(order GLOBAL PROPERTY SOLARCHON_ROOMS)
  list(FIND order ${name} own_place)
  foreach(used IN LISTS ARG_USES)
    list(FIND order ${used} place)
    if(place EQUAL -1 OR place GREATER_EQUAL own_place)
      message(FATAL_ERROR "room ${name} names ${used}, which is not above it")
    endif()
  endforeach()

  add_library(solarchon_${name} STATIC ${ARG_UNPARSED_ARGUMENTS})
  add_library(solarchon::${name} ALIAS solarchon_${name})
  target_include_directories(solarchon_${name} PUBLIC include)
  set(used_targets ${ARG_USES})
  list(TRANSFORM used_targets PREPEND solarchon::)
  target_link_libraries(solarchon_${name}
    PUBLIC ${used_targets} ${ARG_PUBLIC_LINKS} PRIVATE solarchon_options ${ARG_LINKS})
  solarchon_fast(solarchon_${name})
  solarchon_instrument(solarchon_${name} ${ARG_UNPARSED_ARGUMENTS})
  solarchon_use_headers(solarchon_${name} core)

  file(GLOB_RECURSE headers CONFIGURE_DEPENDS ${CMAKE_CURRENT_SOURCE_DIR}/*.h)
  string(REPLACE ";" "," uses "${ARG_USES}")
  add_custom_command(
    OUTPUT ${CMAKE_CURRENT_BINARY_DIR}/room.stamp
    COMMAND ${CMAKE_COMMAND} -DROOM=${name} -DFOLDER=${CMAKE_CURRENT_SOURCE_DIR} -DUSES=${uses}
            -P ${PROJECT_SOURCE_DIR}/cmake/CheckRooms.cmake
    COMMAND ${CMAKE_COMMAND} -E touch ${CMAKE_CURRENT_BINARY_DIR}/room.stamp
    DEPENDS ${ARG_UNPARSED_ARGUMENTS} ${PROJECT_SOURCE_DIR}/cmake/CheckRooms.cmake
            ${headers}
    COMMENT "Checking the walls of room ${name}")
  add_custom_target(solarchon_${name}_walls DEPENDS ${CMAKE_CURRENT_BINARY_DIR}/room.stamp)
  add_dependencies(solarchon_${name} solarchon_${name}_walls)
endfunction()

# solarchon_rooms(first second ...): the rooms from top to bottom; adds core/ROOM for each.
function(solarchon_rooms)
  set_property(GLOBAL PROPERTY SOLARCHON_ROOMS ${ARGN})
  solarchon_headers(core FAST INSTRUMENTED HEADERS ${SOLARCHON_STANDARD_HEADERS})
  foreach(room IN LISTS ARGN)
    add_subdirectory(core/${room})
  endforeach()
endfunction()
