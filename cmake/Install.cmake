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
install(FILES packaging/solarchon.1 DESTINATION ${CMAKE_INSTALL_MANDIR}/man1)
install(FILES packaging/solarchon.1 DESTINATION ${CMAKE_INSTALL_MANDIR}/man1
        RENAME solarchon-cli.1)
install(FILES LICENSE data/fonts/LICENSE.txt DESTINATION ${CMAKE_INSTALL_DOCDIR})

set(CPACK_GENERATOR DEB)
set(CPACK_PACKAGE_NAME solarchon)
set(CPACK_PACKAGE_VENDOR "The Solarchon developers")
set(CPACK_PACKAGE_CONTACT "maintainers@users.noreply.solarchon.example")
set(CPACK_PACKAGE_DESCRIPTION_SUMMARY ${PROJECT_DESCRIPTION})
set(CPACK_DEBIAN_PACKAGE_SECTION science)
set(CPACK_DEBIAN_PACKAGE_SHLIBDEPS ON)
set(CPACK_DEBIAN_PACKAGE_DEPENDS tzdata)  # zones of sites and calendars
set(CPACK_DEBIAN_PACKAGE_RECOMMENDS qt6-translations-l10n)  # Qt's own words in Spanish
set(CPACK_DEBIAN_FILE_NAME DEB-DEFAULT)
set(CPACK_STRIP_FILES ON)
set(CPACK_PACKAGING_INSTALL_PREFIX /usr)
include(CPack)
