// Asks a running application from many sides at once, by wrk. Arguments: port, authorization, seconds a phase.
import { execFile } from 'node:child_process';
import { Agent, get } from 'node:http';
import { promisify } from 'node:util';

const [port, authorization, seconds] = [process.argv[2], process.argv[3].replace('_', ' '), process.argv[4]];
const root = `http://localhost:${port}`;
const headers = { Authorization: authorization, 'Accept-Encoding': 'gzip' };
const WHOLE = `${root}/api/v1/standing?axis=rep&goalSet=quota&from=2026-05&to=2026-05`;
let failed = 0;

/** One phase; counts what was not answered well. */
async function measure(title, { connections = 50, url = root, script, more = {}, duration = seconds }) {
  const given = Object.entries({ ...headers, ...more }).flatMap(([name, value]) => ['-H', `${name}: ${value}`]);
  const { stdout } = await promisify(execFile)('wrk', [
    '-t1', `-c${connections}`, `-d${duration}s`, '--timeout', '60s', '--latency',
    ...(script ? ['-s', new URL(script, import.meta.url).pathname] : []), ...given, url,
  ]);
  const found = (pattern) => pattern.exec(stdout)?.[1] ?? '0';
  const errors = /Socket errors: connect (\d+), read (\d+), write (\d+), timeout (\d+)/.exec(stdout) ?? [];
  const bad = errors.slice(1).reduce((sum, count) => sum + Number(count), Number(found(/Non-2xx or 3xx responses: (\d+)/)));
  failed += bad;
  console.log(
    `${title}: ${found(/Requests\/sec: +([\d.]+)/)} requests/s, ${found(/Transfer\/sec: +(\S+)/)}/s,` +
      ` p50 ${found(/50% +(\S+)/)}, p99 ${found(/99% +(\S+)/)}, ${found(/(\d+) requests in/)} answered, ${bad} failed`,
  );
}

/** Loads and posts files of 2,000 lines of a month, one after the other, until told to stop. */
async function load(month, isOver) {
  let files = 0;
  const taken = [];
  for (; !isOver(); files++) {
    let lines = 'date,order,rep,product,revenue,units\n';
    for (let line = 0; line < 2000; line++) {
      lines += `${month}-1${line % 9},${month}-L${files}-${line},R${String(line % 5000).padStart(4, '0')},P001,1.00,1\n`;
    }
    const form = new FormData();
    form.set('kind', 'actuals');
    form.set('file', new Blob([lines]), `late-${month}-${files}.csv`);
    const begun = performance.now();
    const staged = await fetch(`${root}/api/v1/loads`, { method: 'POST', headers, body: form });
    const { id } = await staged.json();
    const posted = await fetch(`${root}/api/v1/loads/${id}/post?held=leave`, { method: 'POST', headers });
    if (!posted.ok) throw new Error(await posted.text());
    taken.push(performance.now() - begun);
  }
  taken.sort((one, other) => one - other);
  return { files, median: taken[Math.floor(files / 2)], most: taken[files - 1] };
}

const VIEWS = ['2025-07', '2025-10', '2026-01', '2026-03', '2026-05'].flatMap((month) =>
  ['?axis=rep&goalSet=quota&', '?axis=region&', '?axis=product&', '/rep/R0042/close-up?goalSet=quota&', '/rep/R0042/proof?goalSet=quota&'].map(
    (view) => `${root}/api/v1/standing${view}from=${month}&to=${month}`,
  ),
);

/** Asks a fixed number of requests a second; an answer's time counts from when it was due. */
async function readersAt(rate, isOver) {
  const agent = new Agent({ keepAlive: true, maxSockets: 50 });
  const taken = [];
  let due = performance.now();
  let asked = 0;
  const under = new Set();
  while (!isOver()) {
    const wait = due - performance.now();
    if (wait > 1) await new Promise((later) => setTimeout(later, wait));
    const from = due;
    const answer = new Promise((over) => {
      get(VIEWS[asked++ % VIEWS.length], { agent, headers }, (response) => {
        if (response.statusCode !== 200) failed++;
        response.resume();
        response.on('end', over);
      }).on('error', () => { failed++; over(); });
    }).then(() => { taken.push(performance.now() - from); under.delete(answer); });
    under.add(answer);
    due += 1000 / rate;
  }
  await Promise.all(under);
  agent.destroy();
  taken.sort((one, other) => one - other);
  const at = (share) => `${taken[Math.floor(share * (taken.length - 1))].toFixed(0)} ms`;
  return `p50 ${at(0.5)}, p99 ${at(0.99)}, ${taken.length} answered`;
}

/** Readers at a fixed rate beside a loader. */
async function beside(title, month) {
  let isOver = false;
  setTimeout(() => { isOver = true; }, seconds * 1000);
  const [read, loaded] = await Promise.all([readersAt(500, () => isOver), load(month, () => isOver)]);
  const { files, median, most } = loaded;
  console.log(
    `500 requests/s over 50 connections, ${title}: ${read}; ${files} files of 2,000 lines, each in ${(median / 1000).toFixed(2)} s (median), ${(most / 1000).toFixed(2)} s at most`,
  );
}

const first = await fetch(WHOLE, { headers });
const size = (await first.arrayBuffer()).byteLength;
console.log(`the rep standing of a month: ${(size / 1e6).toFixed(2)} MB of JSON`);
await measure('warming up', { connections: 10, duration: 15, script: './views.lua' });
await measure('unchanged, kept compressed', { url: WHOLE });
await measure('unchanged, by entity tag', { url: WHOLE, more: { 'If-None-Match': first.headers.get('etag') } });
await measure('computed afresh each time, 4 connections', { connections: 4, script: './fresh.lua' });
await measure('50 readers of 25 views', { script: './views.lua' });
await beside('files of a month that nobody reads', '2024-12');
await beside('files of a month that is read', '2026-05');
process.exit(failed > 0 ? 1 : 0);
