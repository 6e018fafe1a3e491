// Prints what failed in a runner's report (.trx, or vitest's or Playwright's .json), a name and its message each; nothing where nothing did.
import { existsSync, readFileSync } from 'node:fs';

const LINES = 14;
const colours = new RegExp(String.fromCharCode(27) + '\\[[0-9;]*m', 'g');
const PAGE_LINES = 60;
const tidy = (text, lines = LINES) => text.replace(colours, '').trim().split('\n').slice(0, lines).map((line) => `    ${line}`).join('\n');
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
      const results = spec.tests.flatMap((t) => t.results);
      const messages = results.flatMap((r) => r.errors ?? []).map((e) => tidy(e.message ?? ''));
      // What stood on the page then: what was waited for is not there, but something else is.
      const pages = results.flatMap((r) => r.attachments ?? []).filter((a) => a.name === 'error-context' && a.path && existsSync(a.path));
      const stood = pages.map(({ path }) => /# Page snapshot[\s\S]*?```yaml\n([\s\S]*?)```/.exec(readFileSync(path, 'utf8'))?.[1] ?? '');
      yield [`${[...path, spec.title].join(' › ')} (${spec.file}:${spec.line})`, [...messages, ...stood.map((page) => `the page:\n${page}`)].join('\n'), PAGE_LINES];
    }
    for (const inner of suite.suites ?? []) yield* inside(inner, [...path, inner.title]);
  };
  for (const suite of suites) yield* inside(suite, []);
}

const [, , path] = process.argv;
const text = readFileSync(path, 'utf8');
const report = path.endsWith('.trx') ? null : JSON.parse(text);
const failed = report === null ? ofTrx(text) : report.testResults ? ofVitest(report) : ofPlaywright(report);
for (const [name, message, lines] of failed) console.log(`  ✗ ${name}\n${tidy(message, lines)}`);
