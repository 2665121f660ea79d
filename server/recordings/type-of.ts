/** The type of a recording, by its first bytes and never by its name. */

const at = (head: Buffer, text: string, offset = 0): boolean =>
  head.subarray(offset, offset + text.length).toString('latin1') === text;

/** Media type, or null when the bytes are no recording Fenwix knows. @param head the first 64 bytes or more */
export function typeOfRecording(head: Buffer): string | null {
  if (head.length >= 4 && head.readUInt32BE(0) === 0x1a45dfa3)
    return at(head, 'webm', 24) || head.includes('webm') ? 'video/webm' : 'video/x-matroska';
  if (at(head, 'ftyp', 4))
    return at(head, 'M4A', 8) ? 'audio/mp4' : at(head, 'qt', 8) ? 'video/quicktime' : 'video/mp4';
  if (at(head, 'OggS')) return 'audio/ogg';
  if (at(head, 'RIFF') && at(head, 'WAVE', 8)) return 'audio/wav';
  if (at(head, 'fLaC')) return 'audio/flac';
  if (at(head, 'ID3') || (head.length > 1 && head[0] === 0xff && ((head[1] ?? 0) & 0xe6) === 0xe2)) return 'audio/mpeg';
  if (head.length > 1 && head[0] === 0xff && ((head[1] ?? 0) & 0xf6) === 0xf0) return 'audio/aac';
  return null;
}
