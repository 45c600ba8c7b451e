import { LIGHT } from './palette';

/** Charts to take along: as SVG with its colours written out, or as PNG at twice its size. */

const VARIABLE = /var\((--[a-z-]+)\)/g;

/** The drawing as a file of its own: no style of the page, no variable, its own font name. */
export function svgText(drawing: SVGSVGElement): string {
  const copy = drawing.cloneNode(true) as SVGSVGElement;
  const [, , width = '0', height = '0'] = (copy.getAttribute('viewBox') ?? '').split(' ');
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  copy.setAttribute('width', width);
  copy.setAttribute('height', height);
  copy.setAttribute('font-family', 'sans-serif');
  copy.removeAttribute('class');
  copy.removeAttribute('style');
  const text = new XMLSerializer().serializeToString(copy);
  return text.replace(VARIABLE, (_, name: string) => LIGHT[name] ?? '#000000');
}

function download(url: string, name: string) {
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
}

export function saveSvg(drawing: SVGSVGElement, name: string) {
  const url = URL.createObjectURL(new Blob([svgText(drawing)], { type: 'image/svg+xml' }));
  download(url, `${name}.svg`);
  setTimeout(() => URL.revokeObjectURL(url), 1000);
}

/** Draws the SVG on white ground and saves that. */
export async function savePng(drawing: SVGSVGElement, name: string) {
  const url = URL.createObjectURL(await pngOf(drawing));
  download(url, `${name}.png`);
  setTimeout(() => URL.revokeObjectURL(url), 1000);
}

/** Whether pictures can be copied: not where the page is neither of this machine nor encrypted. */
export const canCopy = () => 'clipboard' in navigator && 'ClipboardItem' in globalThis;

/** The same onto the clipboard, to be pasted into a document. */
export function copyPng(drawing: SVGSVGElement): Promise<void> {
  return navigator.clipboard.write([new ClipboardItem({ 'image/png': pngOf(drawing) })]);
}

async function pngOf(drawing: SVGSVGElement): Promise<Blob> {
  const image = new Image();
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svgText(drawing))}`;
  await image.decode();
  const canvas = document.createElement('canvas');
  canvas.width = image.width * 2;
  canvas.height = image.height * 2;
  const pen = canvas.getContext('2d');
  if (pen) {
    pen.fillStyle = '#ffffff';
    pen.fillRect(0, 0, canvas.width, canvas.height);
    pen.drawImage(image, 0, 0, canvas.width, canvas.height);
  }
  return new Promise((done, failed) =>
    canvas.toBlob((blob) => (blob ? done(blob) : failed(new Error('no picture'))), 'image/png'),
  );
}
