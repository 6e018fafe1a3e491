// Prints what failed in a runner's report (.trx, or vitest's or Playwright's .json), a name and its message each; nothing where nothing did.
import { readFileSync } from 'node:fs';

const LINES = 14;
const colours = new RegExp(String.fromCharCode(27) + '\\[[0-9;]*m', 'g');
const tidy = (text) => text.replace(colours, '').trim().split('\n').slice(0, LINES).map((line) => `    ${line}`).join('\n');
const decode = (xml) =>
  xml.replace(/&#x([0-9A-Fa-f]+);/g, (_, hex) => String.fromCodePoint(parseInt(hex, 16))).replace(/&lt;/g, '<').replace(/&gt;/g, '>').replace(/&quot;/g, '"').replace(/&amp;/g, '&');

function* ofTrx(xml) {
  for (const [, name, body] of xml.matchAll(/<UnitTestResult [^>]*testName="([^"]*)"[^>]*outcome="Failed"[^>]*>([\s\S]*?)<\/UnitTestResult>/g)) {
    const part = (tag) => decode(new RegExp(`<${tag}>([\\s\\S]*?)</${tag}>`).exec(body)?.[1] ?? '');
    yield [decode(name), `${part('Message')}\n${part('StackTrace').split('\n').slice(0, 4).join('\n')}`];
  }
}

function* ofVitest({ testResults }) {
  for (const file of testResults) {
    if (file.assertionResults.length === 0) yield [file.name, file.message];
    for (const test of file.assertionResults.filter((t) => t.status === 'failed')) yield [`${file.name} › ${test.fullName}`, test.failureMessages.join('\n')];
  }
}

function* ofPlaywright({ suites, errors }) {
  for (const error of errors) yield ['outside of any test', error.message ?? ''];
  const inside = function* (suite, path) {
    for (const spec of (suite.specs ?? []).filter((s) => !s.ok)) {
      const messages = spec.tests.flatMap((t) => t.results).flatMap((r) => r.errors ?? []).map((e) => e.message ?? '');
      yield [`${[...path, spec.title].join(' › ')} (${spec.file}:${spec.line})`, messages.join('\n')];
    }
    for (const inner of suite.suites ?? []) yield* inside(inner, [...path, inner.title]);
  };
  for (const suite of suites) yield* inside(suite, []);
}

const [, , path] = process.argv;
const text = readFileSync(path, 'utf8');
const report = path.endsWith('.trx') ? null : JSON.parse(text);
const failed = report === null ? ofTrx(text) : report.testResults ? ofVitest(report) : ofPlaywright(report);
for (const [name, message] of failed) console.log(`  ✗ ${name}\n${tidy(message)}`);
