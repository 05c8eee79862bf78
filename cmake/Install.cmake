# What a package of Solarchon holds.
install(TARGETS solarchon-cli solarchon-standins RUNTIME)
install(DIRECTORY data/magnetic data/demo data/kit data/sounds DESTINATION ${CMAKE_INSTALL_DATADIR}/solarchon)
if(SOLARCHON_APP)
  install(TARGETS solarchon RUNTIME)
  install(FILES packaging/solarchon.desktop DESTINATION ${CMAKE_INSTALL_DATADIR}/applications)
  install(FILES packaging/io.solarchon.Solarchon.metainfo.xml
          DESTINATION ${CMAKE_INSTALL_DATADIR}/metainfo)
  install(FILES data/icons/solarchon.svg
          DESTINATION ${CMAKE_INSTALL_DATADIR}/icons/hicolor/scalable/apps)
endif()
if(SOLARCHON_APP)
  install(FILES packaging/io.solarchon.Solarchon.mime.xml DESTINATION ${CMAKE_INSTALL_DATADIR}/mime/packages
          RENAME io.solarchon.Solarchon.xml)
endif()
install(FILES packaging/copyright DESTINATION ${CMAKE_INSTALL_DOCDIR})
# Debian holds manuals and changelogs compressed, and the same bytes from the same source.
find_program(SOLARCHON_GZIP gzip REQUIRED)
foreach(page packaging/solarchon.1 packaging/solarchon-cli.1 packaging/solarchon-standins.1 CHANGELOG.md)
  get_filename_component(name ${page} NAME)
  string(REPLACE CHANGELOG.md changelog name ${name})
  set(compressed ${CMAKE_CURRENT_BINARY_DIR}/${name}.gz)
  add_custom_command(OUTPUT ${compressed}
    COMMAND ${SOLARCHON_GZIP} -9nc ${PROJECT_SOURCE_DIR}/${page} > ${compressed}
    DEPENDS ${PROJECT_SOURCE_DIR}/${page} VERBATIM)
  list(APPEND compressed_pages ${compressed})
  if(name STREQUAL changelog)
    install(FILES ${compressed} DESTINATION ${CMAKE_INSTALL_DOCDIR})
  else()
    install(FILES ${compressed} DESTINATION ${CMAKE_INSTALL_MANDIR}/man1)
  endif()
endforeach()
add_custom_target(solarchon_pages ALL DEPENDS ${compressed_pages})

set(CPACK_GENERATOR DEB)
set(CPACK_PACKAGE_NAME solarchon)
set(CPACK_PACKAGE_VENDOR "The Solarchon developers")
set(CPACK_PACKAGE_CONTACT "The Solarchon developers <maintainers@users.noreply.solarchon.example>")
set(CPACK_PACKAGE_DESCRIPTION "Draws the light path of a solar telescope and objects when it can hurt, plans the
day, helps to find and follow the Sun, predicts framing, sampling and exposure,
records, stacks and measures, and keeps the log.")
set(CPACK_PACKAGE_DESCRIPTION_SUMMARY ${PROJECT_DESCRIPTION})
set(CPACK_DEBIAN_PACKAGE_SECTION science)
set(CPACK_DEBIAN_PACKAGE_SHLIBDEPS ON)
set(CPACK_DEBIAN_PACKAGE_DEPENDS tzdata)  # zones of sites and calendars
set(CPACK_DEBIAN_PACKAGE_RECOMMENDS qt6-translations-l10n)  # Qt's own words in Spanish
set(CPACK_DEBIAN_FILE_NAME DEB-DEFAULT)
set(CPACK_STRIP_FILES ON)
set(CPACK_PACKAGING_INSTALL_PREFIX /usr)
include(CPack)
