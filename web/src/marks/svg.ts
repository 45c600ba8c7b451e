/** Builds drawings outside of the page, to be saved. */

export type Attributes = Record<string, string | number>;

export function make(name: string, attributes: Attributes): SVGElement {
  const element = document.createElementNS('http://www.w3.org/2000/svg', name);
  for (const [key, value] of Object.entries(attributes)) element.setAttribute(key, String(value));
  return element;
}

export function words(x: number, y: number, text: string, more: Attributes = {}): SVGElement {
  const element = make('text', { x, y, fill: 'var(--ink)', ...more });
  element.textContent = text;
  return element;
}

/** Text in lines of at most so many letters, broken between words. */
export function wrapped(text: string, letters: number): string[] {
  const lines: string[] = [];
  for (const word of text.split(' ')) {
    const last = lines[lines.length - 1];
    if (last !== undefined && last.length + word.length < letters) {
      lines[lines.length - 1] = `${last} ${word}`;
    } else {
      lines.push(word);
    }
  }
  return lines;
}
