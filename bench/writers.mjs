// Eight hands at the same things for a minute: marks on one picture, how the practice fits, one breed, one dog, its wear, its visit, its habits, its plan's days,
// rule and place. Every one looks, edits the version it saw, and looks again where another was faster; nothing that was acknowledged may be overwritten unseen.
// Between them each makes things (readings, inspections, weather), each sent twice under one id, as after a lost answer: it is there once.
// node bench/writers.mjs ADDRESS [SECONDS]; the practice is one to throw away. Loopback only.
const [address, seconds = '60'] = process.argv.slice(2);
const until = Date.now() + Number(seconds) * 1000;
const times = [];
const statuses = {};
const call = async (method, path, body, version, id) => {
  const start = performance.now();
  const answer = await fetch(address + path, {
    method,
    body: body && JSON.stringify(body),
    headers: { 'content-type': 'application/json', ...(version === undefined ? {} : { 'if-match': `"${version}"` }), ...(id ? { 'idempotency-key': id } : {}) },
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
await call('POST', `/api/dogs/${dog}/readings`, { measure: 'noseToInnerEye', side: 'left', text: '98' });
await call('POST', `/api/dogs/${dog}/choice`, { sizeId: 'withy-5', note: 'For the bench.' });
const [wear, visit] = [crypto.randomUUID(), crypto.randomUUID()];
const [start, end] = [2, 1].map((hours) => new Date(Date.now() - hours * 3_600_000).toISOString());
const day = new Date(Date.now() + 40 * 86_400_000).toISOString().slice(0, 10);
await call('PUT', `/api/dogs/${dog}/wears/${wear}`, { startedAt: start, endedAt: end, occasion: 'ordinary', note: '0' }, 0);
await call('PUT', `/api/dogs/${dog}/appointments/${visit}`, { day, kind: 'clinic', note: '0' }, 0);
const week = ['monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday'];
let known = null;
await call('POST', `/api/dogs/${dog}/plan/week`, { days: ['monday'] }, (await call('GET', `/api/dogs/${dog}/plan`)).json.choiceVersion);
const plan = async () => (await call('GET', `/api/dogs/${dog}/plan`)).json;
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
  wear: {
    read: async () => (await call('GET', `/api/dogs/${dog}/wears`)).json.find((w) => w.id === wear),
    value: (d) => Number(d.note),
    write: (d, n) => ['PUT', `/api/dogs/${dog}/wears/${wear}`, { startedAt: start, endedAt: end, occasion: 'ordinary', note: String(n) }],
  },
  visit: {
    read: async () => (await call('GET', `/api/dogs/${dog}/appointments`)).json.find((a) => a.id === visit),
    value: (d) => Number(d.note),
    write: (d, n) => ['PUT', `/api/dogs/${dog}/appointments/${visit}`, { day, kind: 'clinic', note: String(n) }],
  },
  habits: {
    read: async () => (await call('GET', `/api/dogs/${dog}/habits`)).json,
    value: (d) => Number(d.veterinarianSays ?? 0),
    write: (d, n) => ['PUT', `/api/dogs/${dog}/habits`, { loves: [], avoids: [], veterinarianMinutes: 20, veterinarianSays: String(n) }],
  },
  rule: {
    read: plan,
    value: (d) => Number(d.ruleReason ?? 0),
    version: (d) => d.ruleVersion,
    write: (d, n) => ['POST', `/api/dogs/${dog}/plan/rule`, { rule: 'steadyTens', reason: String(n) }],
  },
  place: {
    read: plan,
    value: (d) => Number(d.lastReason ?? 0),
    version: (d) => d.positionVersion,
    write: (d, n) => ['POST', `/api/dogs/${dog}/plan/position`, { stepId: 'hold-short', note: String(n) }],
  },
  days: {
    // The number in the days of the week, and in one session a day or two. The plan laid on days takes half a second to foretell: a hand goes by what it knew last, and is told.
    read: async () => known ?? (await call('GET', `/api/dogs/${dog}/plan/outlook`)).json.week,
    value: (d) => {
      known = d;
      return week.reduce((sum, name, i) => sum + (d.days.includes(name) ? 2 ** i : 0), -1) + (d.sessionsPerDay - 1) * 127;
    },
    most: 250,
    write: (d, n) => ['POST', `/api/dogs/${dog}/plan/week`, { days: week.filter((_, i) => ((n % 127) + 1) & (2 ** i)), sessionsPerDay: 1 + Math.floor(n / 127) }],
  },
};
const creations = {
  reading: ['POST', `/api/dogs/${dog}/readings`, () => ({ measure: 'neckGirth', text: '430' }), async () => (await call('GET', `/api/dogs/${dog}/bench`)).json.readings.length - 1],
  inspection: ['POST', `/api/dogs/${dog}/inspections`, () => ({ failed: [] }), async () => (await call('GET', `/api/dogs/${dog}/inspections`)).json.inspections.length],
};
const created = Object.fromEntries(Object.keys(creations).map((k) => [k, 0]));
const made = Object.fromEntries(Object.keys(documents).map((k) => [k, 0]));
const first = {};
for (const [name, d] of Object.entries(documents)) first[name] = d.value(await d.read());

const hand = async (number) => {
  for (let turn = number; Date.now() < until; turn++) {
    const names = Object.keys(documents);
    if (turn % 25 === 0)
      for (const [name, [method, path, body]] of Object.entries(creations)) {
        if (created[name] >= 90) continue;
        const [id, what] = [crypto.randomUUID(), body()];
        const sent = await Promise.all([call(method, path, what, undefined, id), call(method, path, what, undefined, id)]);
        if (sent.some((s) => s.status === 200)) created[name]++;
      }
    const name = names[turn % names.length];
    const document = documents[name];
    if (made[name] >= (document.most ?? Infinity)) continue;
    let seen = await document.read();
    for (;;) {
      const { status, json } = await call(...document.write(seen, document.value(seen) + 1, number), document.version?.(seen) ?? seen.version);
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
known = null;
for (const [name, d] of Object.entries(documents)) {
  const now = d.value(await d.read());
  lost += Math.abs(first[name] + made[name] - now);
  console.log(`${name}: ${made[name]} edits acknowledged, counted ${now - first[name]}`);
}
for (const [name, [, , , count]] of Object.entries(creations)) {
  const now = await count();
  lost += Math.abs(created[name] - now);
  console.log(`${name}: ${created[name]} made, each sent twice at once under one id; ${now} there`);
}
times.sort((a, b) => a - b);
const at = (share) => `${Math.round(times[Math.floor(times.length * share)])} ms`;
console.log(`${times.length} requests by 8 hands in ${seconds} s; ${lost} lost; median ${at(0.5)}, 99 % under ${at(0.99)}; by status ${JSON.stringify(statuses)}`);
process.exit(lost === 0 && !Object.keys(statuses).some((s) => s >= 500) ? 0 : 1);
