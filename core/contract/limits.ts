/** How much of everything is taken; the server’s schemas and the page’s forms read the same figures. */

/** Most characters of each. */
export const mostCharacters = {
  id: 64,
  title: 200,
  series: 200,
  trackName: 120,
  languageTag: 35,
  recordingName: 300,
  destinationName: 80,
  address: 2000,
  token: 400,
  place: 200,
  /** A reason, given by a page, why work could not be done. */
  reason: 500,
  foreignKey: 64,
  foreignText: 1_000_000,
} as const;

/** Most things of each in one request. */
export const most = {
  tracks: 50,
  captions: 200_000,
  edits: 5000,
  foreignBlocks: 20,
  /** Of speech, or of other sound, in a recording. */
  stretches: 100_000,
  soundTracks: 64,
} as const;

/** Most pixels of a side of a picture. */
export const mostPixels = 32_768;

/** A reflow of a long track is several megabytes of JSON. */
const editBytes = 64 * 1024 * 1024;

/** Most bytes of a body, where it is not the server’s usual limit of 1 MiB; that of a recording is set by whoever runs it. */
export const bodyLimits = {
  'POST /api/jobs': editBytes,
  'POST /api/jobs/:id/tracks': editBytes,
  'POST /api/tracks/:id/edits': editBytes,
  'PUT /api/recordings/:hash/poster': 512 * 1024,
  // A byte for a hundredth of a second: forty-six hours.
  'PUT /api/recordings/:hash/peaks': 16 * 1024 * 1024,
  // A stretch is about thirty bytes, and there are some thirty in a minute.
  'PUT /api/recordings/:hash/regions': 4 * 1024 * 1024,
  'PUT /api/work/:id/parts/:number': 4 * 1024 * 1024,
} as const;

/** How long a page holds work without saying that it is still there, in ms. */
export const leaseMs = 30_000;
