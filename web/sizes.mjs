// Holds what a page loads (JavaScript and styles by gzip, without fonts) under its bounds; run after the build.
import { readFileSync, rmSync } from 'node:fs';
import { gzipSync } from 'node:zlib';

const manifest = JSON.parse(readFileSync('dist/.vite/manifest.json', 'utf8'));
const kB = (file) => gzipSync(readFileSync(`dist/${file}`)).length / 1000;

/** All files that an entry loads before it runs. */
function filesOf(name, seen = new Set()) {
  const chunk = manifest[name];
  if (!chunk || seen.has(chunk.file)) return seen;
  seen.add(chunk.file);
  (chunk.css ?? []).forEach((file) => seen.add(file));
  (chunk.imports ?? []).forEach((one) => filesOf(one, seen));
  return seen;
}

const sum = (files) => [...files].reduce((total, file) => total + kB(file), 0);
const entry = Object.keys(manifest).find((name) => manifest[name].isEntry);
const signIn = filesOf(entry);
const frame = new Set([...signIn, ...filesOf('src/app/Routed.tsx')]);
const desks = ['goals', 'standing', 'intake', 'earnings', 'briefing', 'rules'].map((desk) => {
  const files = filesOf(`src/desks/${desk}/index.ts`);
  return [`${desk} beyond the frame`, sum([...files].filter((file) => !frame.has(file))), 60];
});

let isOver = false;
for (const [what, size, bound] of [
  ['sign-in', sum(signIn), 110],
  ['frame', sum(frame), 190],
  ...desks,
]) {
  isOver ||= size > bound;
  console.log(`${what}: ${size.toFixed(1)} kB of ${bound} kB${size > bound ? ' – over' : ''}`);
}
rmSync('dist/.vite', { recursive: true }); // nothing of it is shipped
if (isOver) process.exit(1);
