// Unpacks the page's own faces as TrueType, which the statements in PDF need; run by the build.
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { inflateSync } from 'node:zlib';
import { Font, woff2ttf } from 'fonteditor-core';

const FACES = {
  Text: 'atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin',
  TextExtended: 'atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-ext',
  Figures: 'source-sans-3/files/source-sans-3-latin',
};
const DIGITS = [48, 57];

const bytesOf = (buffer) =>
  buffer.buffer.slice(buffer.byteOffset, buffer.byteOffset + buffer.length);
const inflate = (packed) => [...inflateSync(Uint8Array.from(packed))];

/** As on the page, digits come from the other face, whose zero has no slash. */
function withoutDigits(ttf) {
  const codes = Object.keys(Font.create(ttf, { type: 'ttf' }).get().cmap).map(Number);
  const subset = codes.filter((code) => code < DIGITS[0] || code > DIGITS[1]);
  return Font.create(ttf, { type: 'ttf', subset, hinting: false }).write({ type: 'ttf' });
}

mkdirSync('target/pdf-fonts', { recursive: true });
for (const [name, path] of Object.entries(FACES)) {
  for (const weight of [400, 700]) {
    const woff = readFileSync(`node_modules/@fontsource/${path}-${weight}-normal.woff`);
    const ttf = woff2ttf(bytesOf(woff), { inflate });
    const own = name === 'Text' ? withoutDigits(ttf) : ttf;
    writeFileSync(`target/pdf-fonts/${name}-${weight}.ttf`, new Uint8Array(own));
  }
}
