/** What a request can be refused for: the closed list of codes both sides know, each with its HTTP status. */

/** The HTTP status that goes with each code; 0 for what a page finds out by itself. */
export const statusOf = {
  /** The request is not what its route takes. */
  'not-understood': 400,
  /** A house style with faults; `details` names them. */
  'style-faults': 400,
  'other-host': 403,
  'other-origin': 403,
  missing: 404,
  /** A body that stood still on its way. */
  stalled: 408,
  /** Others were first; `details` holds what they did. */
  behind: 409,
  'other-history': 409,
  'id-taken': 409,
  'name-taken': 409,
  'in-use': 409,
  shipped: 409,
  'machine-draft': 409,
  /** Somebody else is on this work. */
  leased: 409,
  'too-large': 413,
  'recording-too-large': 413,
  'not-a-recording': 415,
  'not-a-picture': 415,
  empty: 415,
  'edit-refused': 422,
  'nothing-to-send': 422,
  /** A destination takes no such file. */
  'not-taken': 422,
  /** Not all of what was asked for could be done; the sentence names what is left. */
  'tracks-left': 422,
  damaged: 422,
  'too-many': 429,
  unexpected: 500,
  'destination-away': 502,
  'destination-refused': 502,
  'destination-unclear': 502,
  busy: 503,
  'disk-full': 507,
  /** The server could not be reached. */
  away: 0,
  /** Stopped by hand. */
  stopped: 0,
} as const;

export type ErrorCode = keyof typeof statusOf;

/** Whether a value from outside is a code that this contract has. */
export const isErrorCode = (code: unknown): code is ErrorCode =>
  typeof code === 'string' && Object.hasOwn(statusOf, code);
