const JPEG_START = 0xffd8;
const APP1 = 0xe1;
const APP13 = 0xed;
const START_OF_SCAN = 0xda;

/** Walks the marker segments of a JPEG up to the picture itself. */
function* segments(bytes: Uint8Array): Generator<{ marker: number; from: number; to: number }> {
  if (bytes.length < 4 || ((bytes[0] as number) << 8) + (bytes[1] as number) !== JPEG_START) return;
  let at = 2;
  while (at + 4 <= bytes.length && bytes[at] === 0xff) {
    const marker = bytes[at + 1] as number;
    const length = ((bytes[at + 2] as number) << 8) + (bytes[at + 3] as number);
    if (length < 2) return;
    yield { marker, from: at, to: at + 2 + length };
    if (marker === START_OF_SCAN) return;
    at += 2 + length;
  }
}

/**
 * Whether a photo's head carries blocks that may say where it was taken: Exif or XMP (APP1) and IPTC
 * (APP13) of a JPEG, `eXIf` or text chunks of a PNG. Source: JPEG ITU-T T.81 annex B, Exif 2.32.
 */
export function hasPlaceData(bytes: Uint8Array): boolean {
  for (const { marker } of segments(bytes)) {
    if (marker === APP1 || marker === APP13) return true;
  }
  const head = new TextDecoder('latin1').decode(bytes.subarray(0, 4096));
  return head.startsWith('\u0089PNG') && /eXIf|iTXt|tEXt/.test(head);
}

/** The same JPEG without its Exif, XMP and IPTC blocks; anything else comes back as it was. */
export function withoutPlaceData(bytes: Uint8Array): Uint8Array {
  const drop = [...segments(bytes)].filter(({ marker }) => marker === APP1 || marker === APP13);
  if (drop.length === 0) return bytes;
  const kept = new Uint8Array(
    bytes.length - drop.reduce((sum, { from, to }) => sum + to - from, 0),
  );
  let read = 0;
  let written = 0;
  for (const { from, to } of [...drop, { from: bytes.length, to: bytes.length }]) {
    kept.set(bytes.subarray(read, from), written);
    written += from - read;
    read = to;
  }
  return kept;
}
