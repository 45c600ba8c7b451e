// Starts the application as shipped, loads three years of order lines month by month over HTTP, and
// prints one line of a table for each size.
import { execFileSync, spawn } from 'node:child_process';
import { closeSync, mkdirSync, openSync, readFileSync, renameSync, rmSync, statSync, writeSync } from 'node:fs';
import { openAsBlob } from 'node:fs';
import { setTimeout as sleep } from 'node:timers/promises';

const [work, ...asked] = process.argv.slice(2);
const sizes = asked.flatMap((text) => text.split(/\s+/)).map(Number);
const REPS = 5000;
const MONTHS = 36;
const PORT = 8899;
const API = `http://127.0.0.1:${PORT}/api/v1`;
const AUTH = 'Basic ' + Buffer.from('ada:Correct-horse-9x').toString('base64');
const flags = readFileSync('server/jvm.options', 'utf8').split('\n').filter((line) => line.startsWith('-'));

// xorshift: the same lines in every run
let seed = 2463534242;
function random(below) {
  seed ^= seed << 13; seed >>>= 0; seed ^= seed >>> 17; seed ^= seed << 5; seed >>>= 0;
  return seed % below;
}
const month = (at) => `${2024 + Math.floor(at / 12)}-${String((at % 12) + 1).padStart(2, '0')}`;

function file(name, header, count, line) {
  const path = `${work}/${name}`;
  const out = openSync(path, 'w');
  let text = header + '\n';
  for (let at = 0; at < count; at++) {
    text += line(at) + '\n';
    if (text.length > 1 << 20) { writeSync(out, text); text = ''; }
  }
  writeSync(out, text);
  closeSync(out);
  return path;
}

const order = (prefix, inMonth) => (at) =>
  `${inMonth}-${String(random(28) + 1).padStart(2, '0')},${prefix}-${inMonth}-${at},R${random(REPS)},P${random(400)},${random(90000) + 1000}.${String(random(100)).padStart(2, '0')},${random(20) + 1}`;
const HEADER = 'date,order,rep,product,revenue,units';

async function start(data, heap) {
  const begun = performance.now();
  const child = spawn('java', [...flags, `-Xmx${heap}`, `-XX:SharedArchiveFile=${work}/classes.jsa`, '-Xshare:auto', '-Xlog:cds=off', '-Xlog:cds+dynamic=off',
    '-jar', `${work}/app/zealous-target-app.jar`, `--server.port=${PORT}`, `--zealous.data-dir=${data}`,
    '--zealous.accounts.first=ada', '--zealous.accounts.first-password=Correct-horse-9x'], { stdio: 'ignore' });
  for (;;) {
    try {
      const answer = await fetch(`${API}/company`, { headers: { Authorization: AUTH } });
      if (answer.status === 200) break;
    } catch { /* not up yet */ }
    if (child.exitCode !== null) throw new Error('the application ended');
    await sleep(30);
  }
  return { child, seconds: (performance.now() - begun) / 1000 };
}

async function stop(child) {
  child.kill('SIGTERM');
  while (child.exitCode === null && child.signalCode === null) await sleep(50);
}

async function ask(path, init = {}) {
  const answer = await fetch(API + path, { ...init, headers: { Authorization: AUTH, ...init.headers } });
  const body = await answer.text();
  if (!answer.ok) throw new Error(`${path}: ${answer.status} ${body.slice(0, 300)}`);
  return body ? JSON.parse(body) : null;
}

async function load(path, fields, mode = 'add') {
  const form = new FormData();
  Object.entries(fields).forEach(([name, value]) => form.set(name, value));
  form.set('file', await openAsBlob(path), path.split('/').pop());
  const begun = performance.now();
  const staged = await ask('/loads', { method: 'POST', body: form });
  await ask(`/loads/${staged.id}/post?held=leave&mode=${mode}`, { method: 'POST' });
  return (performance.now() - begun) / 1000;
}

async function timed(work) {
  const begun = performance.now();
  await work();
  return (performance.now() - begun) / 1000;
}

const median = (numbers) => [...numbers].sort((a, b) => a - b)[Math.floor(numbers.length / 2)];
const folder = (data) => Number(execFileSync('du', ['-sb', data]).toString().split('\t')[0]);
const heapOf = (child) =>
  Number(execFileSync('jcmd', [String(child.pid), 'GC.class_histogram']).toString().trim().split('\n').pop().split(/\s+/)[2]);

/** Twelve standings of other months, each computed afresh. */
async function standing(at) {
  return timed(() => ask(`/standing?from=${month(at)}&goalSet=quota`, { headers: { 'Accept-Encoding': 'gzip' } }));
}

console.log('| lines | loading, s per million | plain JDBC | data ÷ files, running | stopped | empty start, s | restart to first standing, s | fresh standing, ms | file of 2,000, s | tenth correction, s | last of 60 | closing a month, s | heap in use, MB |');
console.log('|---:|---:|---:|---:|---:|---:|---:|---:|---:|---:|---:|---:|---:|');
for (const lines of sizes) {
  const data = `${work}/data`;
  rmSync(data, { recursive: true, force: true });
  mkdirSync(data);
  const heap = lines > 8_000_000 ? '2g' : '1g';
  let { child, seconds: empty } = await start(data, heap);
  let received = 0;
  const keep = (path) => { received += statSync(path).size; return path; };
  const roster = keep(file('roster.csv', 'rep,name,region,manager,from', REPS, (at) => `R${at},Name ${at},Region ${at % 60},M${at % 400},2023-01`));
  await load(roster, { kind: 'roster' });
  await load(keep(file('products.csv', 'product,name,line', 400, (at) => `P${at},Product ${at},Line ${at % 20}`)), { kind: 'products' });
  await load(keep(file('quota.csv', 'month,rep,revenue,units', REPS * MONTHS, (at) => `${month(at % MONTHS)},R${Math.floor(at / MONTHS)},${random(900000) + 100000},${random(90) + 9}`)),
    { kind: 'goals', goalSet: 'quota', axis: 'rep' });
  await load(keep(file('stretch.csv', 'month,rep,revenue,units', REPS, (at) => `${month(0)},R${at},${random(900000) + 100000},${random(90) + 9}`)),
    { kind: 'goals', goalSet: 'stretch', axis: 'rep' });
  let loading = 0;
  for (let at = 0; at < MONTHS; at++) {
    const path = keep(file('orders.csv', HEADER, Math.round(lines / MONTHS), order('SO', month(at))));
    loading += await load(path, { kind: 'actuals' });
    if (at >= MONTHS - 6) renameSync(path, `${work}/month${at}.csv`);
  }
  const running = folder(data) / received;
  for (let at = 0; at < MONTHS; at++) await standing(at);
  const fresh = [];
  for (let time = 0; time < 12; time++) {
    await ask('/notes/rep/R1/2024-01', { method: 'PUT', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify({ text: `n${time}` }) });
    fresh.push(await standing(MONTHS - 1 - time));
  }
  const small = [];
  for (let time = 0; time < 5; time++) small.push(await load(file(`s${time}.csv`, HEADER, 2000, order(`S${time}`, month(MONTHS - 1))), { kind: 'actuals' }));
  const closing = await timed(() => ask(`/months/${month(0)}/seal`, { method: 'POST' }));
  const corrections = [];
  for (let time = 0; time < 60; time++) {
    const fix = file('fix.csv', HEADER, 50, (at) => order('SO', month(time % 12))(at + 50 * Math.floor(time / 12)));
    corrections.push(await load(fix, { kind: 'actuals' }, 'correct'));
  }
  const used = heapOf(child) / 1e6;
  await stop(child);
  const stopped = folder(data) / received;
  let first;
  const again = await start(data, heap);
  child = again.child;
  first = again.seconds + (await standing(MONTHS - 1));
  await stop(child);
  const plain = Number(
    execFileSync('java', [...flags, `-Xmx${heap}`, '-cp', process.env.BENCH_CLASSPATH, 'zealoustarget.bench.PlainJdbc',
      ...Array.from({ length: 6 }, (_, back) => `${work}/month${MONTHS - 6 + back}.csv`)]).toString(),
  );
  const cells = [lines.toLocaleString('en'), (loading / lines * 1e6).toFixed(1), plain.toFixed(1), running.toFixed(2), stopped.toFixed(2), empty.toFixed(1), first.toFixed(1),
    (median(fresh) * 1000).toFixed(0), median(small).toFixed(2), corrections[9].toFixed(2), median(corrections.slice(-5)).toFixed(2), closing.toFixed(2), used.toFixed(0)];
  console.log(`| ${cells.join(' | ')} |`);
}
