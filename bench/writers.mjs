// Eight hands at the same things for a minute: marks on one picture, how the practice fits, one breed, one count in the van, one dog.
// Every one looks, edits the version it saw, and looks again where another was faster; nothing that was acknowledged may be overwritten unseen.
// node bench/writers.mjs ADDRESS [SECONDS]; the practice is one to throw away. Loopback only.
const [address, seconds = '60'] = process.argv.slice(2);
const until = Date.now() + Number(seconds) * 1000;
const times = [];
const statuses = {};
const call = async (method, path, body, version) => {
  const start = performance.now();
  const answer = await fetch(address + path, {
    method,
    body: body && JSON.stringify(body),
    headers: { 'content-type': 'application/json', ...(version === undefined ? {} : { 'if-match': `"${version}"` }) },
  });
  const json = await answer.json();
  times.push(performance.now() - start);
  statuses[answer.status] = (statuses[answer.status] ?? 0) + 1;
  return { status: answer.status, json };
};

const dog = (await call('POST', '/api/dogs', { name: 'Many hands' })).json.id;
const form = new FormData();
form.append('file', await (await fetch(`${address}/api/demo-pictures/side`)).blob(), 'p.jpg');
const photo = (await (await fetch(`${address}/api/dogs/${dog}/photos`, { method: 'POST', body: form })).json()).id;
const landmarks = ['noseTip', 'innerEye', 'bridgeFront', 'bridgeBack', 'fitLineTop', 'fitLineUnder', 'throatBump', 'stop'];

/** A counter in each document that every acknowledged edit raises by one: what it ends at tells whether any was lost. */
const documents = {
  marks: {
    read: async () => (await call('GET', `/api/dogs/${dog}/photos/${photo}`)).json,
    value: (d) => Math.round(d.corners[0]?.x ?? 0),
    write: (d, n, hand) => ['PUT', `/api/dogs/${dog}/photos/${photo}`, { view: d.view, side: d.side, kind: d.kind, rulerMm: null, corners: [{ x: n, y: 1 }], landmarks: { ...d.landmarks, [landmarks[hand]]: { x: n, y: hand } } }],
  },
  settings: {
    read: async () => (await call('GET', '/api/fit-settings')).json,
    value: (d) => Math.round((d.comfort - 1) * 10000),
    write: (d, n) => ['PUT', '/api/fit-settings', { material: d.material, visibility: d.visibility, fingerMm: d.fingerMm, comfort: 1 + n / 10000, safety: d.safety, feeding: d.feeding }],
  },
  breed: {
    read: async () => (await call('GET', '/api/breeds?find=pug')).json.find((b) => b.id === 'pug'),
    value: (d) => Number(d.name.split(' ')[1] ?? 0),
    write: (d, n) => ['PUT', '/api/breeds/pug', { name: `Pug ${n}`, shape: d.shape, traits: d.traits, growingMonths: d.growingMonths, alsoCalled: d.alsoCalled }],
  },
  dog: {
    read: async () => (await call('GET', `/api/dogs/${dog}`)).json.dog,
    value: (d) => Number(d.notes ?? 0),
    write: (d, n) => ['PUT', `/api/dogs/${dog}`, { name: d.name, notes: String(n) }],
  },
};
const made = Object.fromEntries(Object.keys(documents).map((k) => [k, 0]));
const first = {};
for (const [name, d] of Object.entries(documents)) first[name] = d.value(await d.read());

const hand = async (number) => {
  for (let turn = number; Date.now() < until; turn++) {
    const name = Object.keys(documents)[turn % 4];
    const document = documents[name];
    let seen = await document.read();
    for (;;) {
      const { status, json } = await call(...document.write(seen, document.value(seen) + 1, number), seen.version);
      if (status === 200) {
        made[name]++;
        break;
      }
      if (status === 412) seen = json.current;
      else if (status !== 503) throw new Error(`${name}: ${status} ${JSON.stringify(json)}`);
    }
  }
};
await Promise.all(Array.from({ length: 8 }, (_, n) => hand(n)));

let lost = 0;
for (const [name, d] of Object.entries(documents)) {
  const now = d.value(await d.read());
  lost += Math.abs(first[name] + made[name] - now);
  console.log(`${name}: ${made[name]} edits acknowledged, counted ${now - first[name]}`);
}
times.sort((a, b) => a - b);
const at = (share) => `${Math.round(times[Math.floor(times.length * share)])} ms`;
console.log(`${times.length} requests by 8 hands in ${seconds} s; ${lost} lost; median ${at(0.5)}, 99 % under ${at(0.99)}; by status ${JSON.stringify(statuses)}`);
process.exit(lost === 0 && !Object.keys(statuses).some((s) => s >= 500) ? 0 : 1);
