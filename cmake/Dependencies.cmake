find_package(PkgConfig REQUIRED)
find_package(nlohmann_json REQUIRED)
find_package(tl-expected REQUIRED)
find_package(JPEG REQUIRED)
find_package(PNG REQUIRED)
find_package(TIFF REQUIRED)
find_package(SQLiteCpp REQUIRED)
find_package(CLI11 REQUIRED)
find_package(Threads REQUIRED)
pkg_check_modules(ERFA REQUIRED IMPORTED_TARGET erfa)
pkg_check_modules(CFITSIO REQUIRED IMPORTED_TARGET cfitsio)
pkg_check_modules(FFMPEG REQUIRED IMPORTED_TARGET libavcodec libavdevice libavformat libavutil)
pkg_check_modules(ICAL REQUIRED IMPORTED_TARGET libical)

find_library(NOVA_LIBRARY nova REQUIRED)  # it has no package file

list(APPEND CMAKE_MODULE_PATH /usr/share/cmake/geographiclib)
find_package(GeographicLib REQUIRED)

if(SOLARCHON_APP)
  find_package(Qt6 REQUIRED COMPONENTS Widgets Network Svg PrintSupport Multimedia DBus Test LinguistTools)
endif()

# Debian's libopencv-core-dev comes without a CMake package; the whole of libopencv-dev would pull
# in hundreds of packages.
find_path(OPENCV_INCLUDE_DIR opencv2/core.hpp PATH_SUFFIXES opencv4 REQUIRED)
find_library(OPENCV_CORE_LIBRARY opencv_core REQUIRED)
add_library(solarchon_opencv_core INTERFACE)
target_include_directories(solarchon_opencv_core SYSTEM INTERFACE ${OPENCV_INCLUDE_DIR})
target_link_libraries(solarchon_opencv_core INTERFACE ${OPENCV_CORE_LIBRARY})
# For bench/ alone, which compares with a plain chain of its functions.
find_library(OPENCV_IMGPROC_LIBRARY opencv_imgproc)
