/** WebVTT timestamps, by the recommendation's "collect a WebVTT timestamp". */

/** A timestamp as a pattern of four groups: hours, minutes, seconds, thousandths. */
export const timestamp = String.raw`(?:(\d+):)?(\d\d):(\d\d)\.(\d{3})(?!\d)`;

/** Milliseconds of a matched timestamp, from its first group; null where minutes or seconds run over 59. */
export function timestampMs(groups: readonly (string | undefined)[], first: number): number | null {
  const [hours = '0', minutes = '', seconds = '', thousandths = ''] = groups.slice(first, first + 4);
  if (Number(minutes) > 59 || Number(seconds) > 59) return null;
  return Number(hours) * 3_600_000 + Number(minutes) * 60_000 + Number(seconds) * 1000 + Number(thousandths);
}

const whole = new RegExp(`^${timestamp}$`);

/** Milliseconds of a text that is a timestamp and nothing else; null otherwise. */
export function webvttTime(text: string): number | null {
  const match = whole.exec(text);
  return match ? timestampMs(match, 1) : null;
}
