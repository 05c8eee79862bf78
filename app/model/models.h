// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

namespace solarchon::app {

class DiskSpeed;
class Document;
class FolderWatch;
class CurrentFrame;
class Kit;
class LiveCamera;
class Log;
class Mount;
class Movie;
class OutsideFiles;
class Reduction;
class Runbook;
class SeriesController;
class ErrorReporter;

/// All that a view may look at and ask for. What a view uses of it, it includes.
struct Models {
  Document& document;        ///< workspace, moment and answers
  Log& log;                  ///< sessions and what they taught
  Kit& kit;                  ///< parts, and shelves of sites and light paths
  CurrentFrame& frame;       ///< the picture that is shown, and the work that makes one
  LiveCamera& camera;        ///< that is looked through, and what it shows
  FolderWatch& folder;       ///< that another program fills
  Reduction& reduction;      ///< of a clip to a picture
  Movie& movie;              ///< of pictures
  SeriesController& series;  ///< clips that go by themselves
  OutsideFiles& files;
  DiskSpeed& disk;
  Runbook& runbook;        ///< steps at the telescope, and which of them were done
  Mount& mount;            ///< that is driven, or played
  ErrorReporter& trouble;  ///< where bad news goes
};

}  // namespace solarchon::app
