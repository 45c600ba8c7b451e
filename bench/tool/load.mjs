// Asks a running application from many sides at once. Arguments: port, authorization, seconds.
import autocannon from 'autocannon';

const [port, authorization, seconds] = [process.argv[2], process.argv[3].replace('_', ' '), Number(process.argv[4])];
const root = `http://localhost:${port}`;
const headers = { authorization, 'accept-encoding': 'gzip' };
const WHOLE = '/api/v1/standing?axis=rep&goalSet=quota&from=2026-05&to=2026-05';

async function measure(title, options) {
  const result = await autocannon({ url: root, headers, duration: seconds, timeout: 30, ...options });
  const bad = result.errors + result.timeouts + result.non2xx - (options.expects === 304 ? result['3xx'] : 0);
  const { latency, requests, throughput } = result;
  console.log(
    `${title}: ${requests.average.toFixed(0)} requests/s, ${(throughput.average / 1e6).toFixed(1)} MB/s,` +
      ` p50 ${latency.p50} ms, p99 ${latency.p99} ms, ${result['2xx'] + result['3xx']} answered, ${Math.max(0, bad)} failed`,
  );
  return Math.max(0, bad);
}

const months = ['2025-07', '2025-10', '2026-01', '2026-03', '2026-05'];
const mixed = months.flatMap((month) => [
  { path: `/api/v1/standing?axis=rep&goalSet=quota&from=${month}&to=${month}` },
  { path: `/api/v1/standing?axis=region&from=${month}&to=${month}` },
  { path: `/api/v1/standing/rep/R0042/close-up?goalSet=quota&from=${month}&to=${month}` },
  { path: `/api/v1/standing/rep/R0042/proof?goalSet=quota&from=${month}&to=${month}` },
  { path: `/api/v1/standing?axis=product&from=${month}&to=${month}` },
]);

/** Loads and posts files of 2,000 lines, one after the other, until told to stop. */
async function load(isOver) {
  let files = 0;
  let problem = null;
  for (; !isOver() && problem === null; files++) {
    let lines = 'date,order,rep,product,revenue,units\n';
    for (let line = 0; line < 2000; line++) {
      lines += `2026-06-1${line % 9},L${files}-${line},R${String(line % 5000).padStart(4, '0')},P001,1.00,1\n`;
    }
    const form = new FormData();
    form.set('kind', 'actuals');
    form.set('file', new Blob([lines]), `late-${files}.csv`);
    const staged = await fetch(`${root}/api/v1/loads`, { method: 'POST', headers: { authorization }, body: form });
    const { id } = await staged.json();
    const posted = await fetch(`${root}/api/v1/loads/${id}/post?held=leave`, { method: 'POST', headers: { authorization } });
    if (!posted.ok) problem = await posted.text();
  }
  return { files, problem };
}

let failed = 0;
const first = await fetch(root + WHOLE, { headers: { authorization } });
const size = (await first.text()).length;
const tag = first.headers.get('etag');
console.log(`the rep standing of a month: ${(size / 1e6).toFixed(2)} MB of JSON`);
failed += await measure('warming up', { connections: 10, duration: 5, requests: mixed });
failed += await measure('unchanged, kept compressed, 50 connections', { connections: 50, requests: [{ path: WHOLE }] });
failed += await measure('unchanged, by entity tag, 50 connections', {
  connections: 50,
  requests: [{ path: WHOLE }],
  headers: { ...headers, 'if-none-match': tag },
  expects: 304,
});
let fresh = 0;
failed += await measure('computed afresh each time, 2 connections', {
  connections: 2,
  requests: [{ setupRequest: (request) => ({ ...request, path: `${WHOLE}&again=${fresh++}` }) }],
});
failed += await measure('50 readers of many views', { connections: 50, requests: mixed });
let isOver = false;
const loader = load(() => isOver);
failed += await measure('50 readers and a loader', { connections: 50, requests: mixed });
isOver = true;
const { files, problem } = await loader;
console.log(`the loader posted ${files} files of 2,000 lines meanwhile${problem ? `, then: ${problem}` : ''}`);
process.exit(failed > 0 || problem ? 1 : 0);
