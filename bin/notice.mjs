// Writes NOTICE from web/package-lock.json and the server's packages.lock.json; see bin/notice.
import { existsSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { homedir } from 'node:os';
import { join } from 'node:path';

const json = (path) => JSON.parse(readFileSync(path, 'utf8'));
const compare = (a, b) => (a.name < b.name ? -1 : a.name > b.name ? 1 : 0);

/** What the browser gets: what is installed for more than building and testing. */
const scripts = Object.entries(json('web/package-lock.json').packages)
  .filter(([path, p]) => path !== '' && !p.dev && !p.devOptional && !p.optional && !/node_modules\/(@types\/|@babel\/(?!runtime)|@jridgewell\/|babel-plugin|@emotion\/babel-plugin)/.test(path))
  .map(([path, p]) => ({ name: path.split('node_modules/').pop(), version: p.version, licence: p.license ?? 'not named' }));

const folders = [process.env.NUGET_PACKAGES, join(homedir(), '.nuget/packages'), '/opt/nuget/packages'].filter(Boolean);
const nuspec = (name, version) => {
  for (const folder of folders) {
    const at = join(folder, name.toLowerCase(), version.toLowerCase());
    const file = existsSync(at) && readdirSync(at).find((f) => f.endsWith('.nuspec'));
    if (file) return { text: readFileSync(join(at, file), 'utf8'), at };
  }
  throw new Error(`${name} ${version} is not restored: dotnet restore first.`);
};
/** A licence as the package names it: by its SPDX expression, else by the first line of the text it brings. */
function licenceOf(name, version) {
  const { text, at } = nuspec(name, version);
  const [, kind, said] = /<license type="(expression|file)"[^>]*>([^<]+)</.exec(text) ?? [];
  if (kind === 'expression') return said;
  if (kind === 'file') return readFileSync(join(at, said), 'utf8').trim().split('\n')[0].trim();
  return /<licenseUrl>([^<]+)</.exec(text)?.[1] ?? 'not named';
}

/** What the server ships: everything its lock file names but what only helps to build. */
const builds = /^(Microsoft\.EntityFrameworkCore\.(Design|Tools|Analyzers)|Microsoft\.Extensions\.ApiDescription\.Server|Microsoft\.(Build|CodeAnalysis|VisualStudio)|Mono\.TextTemplating|Humanizer|System\.Composition|Newtonsoft\.Json)/;
const libraries = Object.entries(Object.values(json('src/JauntyBadge.Server/packages.lock.json').dependencies)[0])
  .filter(([name, p]) => p.type !== 'Project' && p.resolved && !builds.test(name))
  .map(([name, p]) => ({ name, version: p.resolved, licence: licenceOf(name, p.resolved) }));

/** Faces that the server prints with; each folder of theirs brings its licence. */
const printed = readdirSync('src/JauntyBadge.Server/Handover/Fonts')
  .filter((f) => f.startsWith('OFL-'))
  .map((f) => ({ name: f.replace(/^OFL-|\.txt$/g, ''), version: 'for what is printed', licence: 'OFL-1.1' }));

const fonts = scripts.filter((s) => s.name.startsWith('@fontsource'));
const list = (some) => some.sort(compare).map((s) => `  ${s.name} ${s.version}: ${s.licence}`).join('\n');
const notice = `Jaunty Badge ships work of others, under the licences named here. Written by bin/notice from the lock files.

Fonts
${list(fonts)}
${list(printed)}

Scripts and styles of the pages
${list(scripts.filter((s) => !fonts.includes(s)))}

Libraries of the server, native code among them
${list(libraries)}

Lists
  common passwords, from @zxcvbn-ts/language-common 4.1.3: MIT, copyright (c) 2012-2016 Dan Wheeler and Dropbox, Inc., (c) 2021 @zxcvbn-ts
`;

if (process.argv.includes('--check')) {
  if (readFileSync('NOTICE', 'utf8') !== notice) {
    console.error('NOTICE is stale: run bin/notice and commit it.');
    process.exit(1);
  }
} else writeFileSync('NOTICE', notice);
