import { parse, TYPE, type MessageFormatElement } from '@formatjs/icu-messageformat-parser';
import ts from 'typescript';
import { describe, expect, it } from 'vitest';

const SOURCES = import.meta.glob<string>(['../**/*.ts', '../**/*.tsx'], {
  query: '?raw',
  import: 'default',
  eager: true,
});
const MESSAGES = import.meta.glob<Record<string, string>>('../**/words.en.json', {
  import: 'default',
  eager: true,
});
/** The folders that have a catalogue. */
const FOLDERS = Object.keys(MESSAGES).map((file) =>
  file.replace(/^\.\.\/|\/words\.en\.json$/g, ''),
);

/** Whole labels that gave way to the trade's words. */
const REPLACED = [
  'Add a rung above',
  'Against',
  'Among all reps',
  'As they stand',
  'Correct by order',
  'Earlier',
  'Expected so far',
  'Full tone at',
  'Give one',
  'Growth',
  'How it is booked',
  'It brings',
  'It is our',
  'Judges',
  'Keep',
  'Keep the list',
  'Keep the note',
  'Ladder',
  'Lands at',
  'Lanes in',
  'Later',
  'Leave it',
  'Make a token',
  'Month columns count',
  'Name, key or place holds',
  'Nobody and nothing is called that.',
  'Only',
  'Password now',
  'Proof',
  'Read it so',
  'Reads',
  'Save the ladder',
  'Seal',
  'Sealed',
  'Shared credit',
  'Sold',
  'Someone else',
  'Steps',
  'Sum up',
  'Take along',
  'Take the note away',
  'The file as it came',
  'To be told',
  'To goal, %',
  'Trail',
  'Turn the sign',
  'Unseal',
  'Views',
  'Who has it',
  'Whole span',
  'Why',
  'Y to date',
].map((label) => label.toLowerCase());

/** Words of developers, and of the forms that gave way, in whatever text they stand. */
const UNWANTED =
  /\b(rungs?|ladders?|seal(ed|ing)?|unseal(ed)?|take along|playbook|json|camelcase|sold)\b|!/i;

type Arguments = Set<string>;

function argumentsOf(elements: MessageFormatElement[], found: Arguments = new Set()): Arguments {
  for (const element of elements) {
    if (element.type === TYPE.argument) found.add(element.value);
    if (element.type === TYPE.plural || element.type === TYPE.select) {
      found.add(element.value);
      Object.values(element.options).forEach((option) => argumentsOf(option.value, found));
    }
  }
  return found;
}

interface Use {
  place: string;
  /** The key, or what it begins with where the rest is a code. */
  key: string;
  isPrefix: boolean;
  given: Arguments;
}

/** What the files say that take their texts from a folder's catalogue. */
function usesIn(folder: string): Use[] {
  return Object.entries(SOURCES)
    .filter(([file, text]) => !/\.test\./.test(file) && catalogueOf(file, text) === folder)
    .flatMap(([file, text]) => usesOf(file, text));
}

/** The folder whose texts a file says: from where it imports `t`; null for none. */
function catalogueOf(file: string, text: string): string | null {
  const from = /import \{ t \} from '(.+)\/words'/.exec(text)?.[1];
  if (from === undefined) return null;
  return new URL(from, `file:///${file.slice(3)}`).pathname.replace(/^\/|\/$/g, '');
}

function usesOf(file: string, text: string): Use[] {
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true, ts.ScriptKind.TSX);
  const uses: Use[] = [];
  function visit(node: ts.Node) {
    if (ts.isCallExpression(node) && node.expression.getText(source) === 't') {
      const [key, values] = node.arguments;
      const given: Arguments = new Set(
        values && ts.isObjectLiteralExpression(values)
          ? values.properties.map((one) => one.name?.getText(source) ?? '')
          : [],
      );
      if (key) {
        for (const word of keysOf(key, source)) uses.push({ place: file, given, ...word });
      }
    }
    ts.forEachChild(node, visit);
  }
  visit(source);
  return uses;
}

function keysOf(key: ts.Expression, source: ts.SourceFile): { key: string; isPrefix: boolean }[] {
  if (ts.isStringLiteralLike(key)) return [{ key: key.text, isPrefix: false }];
  if (ts.isTemplateExpression(key)) return [{ key: key.head.text, isPrefix: true }];
  if (ts.isConditionalExpression(key)) {
    return [...keysOf(key.whenTrue, source), ...keysOf(key.whenFalse, source)];
  }
  throw new Error(`A key that cannot be followed: ${key.getText(source)}`);
}

describe.each(FOLDERS)('the words of %s', (folder) => {
  const messages = MESSAGES[`../${folder}/words.en.json`] ?? {};
  const uses = usesIn(folder);

  it('are all said somewhere', () => {
    const unsaid = Object.keys(messages).filter(
      (key) => !uses.some((use) => (use.isPrefix ? key.startsWith(use.key) : key === use.key)),
    );
    expect(unsaid).toEqual([]);
  });

  it('get what they ask for, where they are said', () => {
    const missing = uses.flatMap((use) => {
      const keys = Object.keys(messages).filter((key) =>
        use.isPrefix ? key.startsWith(use.key) : key === use.key,
      );
      if (keys.length === 0) return [`${use.place}: no text ${use.key}`];
      return keys.flatMap((key) =>
        [...argumentsOf(parse(messages[key] ?? '', { ignoreTag: true }))]
          .filter((name) => !use.given.has(name))
          .map((name) => `${use.place}: ${key} lacks ${name}`),
      );
    });
    expect(missing).toEqual([]);
  });

  it('are in the trade’s words', () => {
    const plain = Object.entries(messages).filter(
      ([, text]) =>
        REPLACED.includes(text.replace(/[:.]$/, '').toLowerCase()) ||
        UNWANTED.test(text.replace(/\{\w+\}/g, '')),
    );
    expect(plain).toEqual([]);
  });

  it('count with a plural, never with a loose word', () => {
    const loose = Object.entries(messages).filter(([, text]) =>
      /\{[^}]*\} (lines|rows|reps|\w+\(s\))\b/.test(text.replace(/\{[^{}]*, plural.*/s, '')),
    );
    expect(loose).toEqual([]);
  });
});
