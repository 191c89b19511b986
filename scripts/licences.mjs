// npm run licences: what Yarin is made of, by licence, without what only development needs; fails on a licence that nobody
// looked at, and when NOTICES.md does not name a package whose licence asks for it.
import { readFileSync } from 'node:fs';

/** Licences under which packages may be used, by what they ask for. */
const FREE =
  /^(?:MIT|ISC|0BSD|BSD-[23]-Clause|Apache-2\.0|Unlicense|BlueOak-1\.0\.0|PSF-2\.0|\(?[^()]*\b(?:MIT|Apache-2\.0)\b[^()]* OR [^()]*\)|\(?[^()]* OR [^()]*\b(?:MIT|Apache-2\.0)\b[^()]*\))$/;
/** They are named in NOTICES.md. */
const NAMED = /MPL-2\.0|CC-BY|OFL-1\.1/;

const { packages } = JSON.parse(readFileSync('package-lock.json', 'utf8'));
const notices = readFileSync('NOTICES.md', 'utf8');

/** Older packages list their licences one by one. */
function licenceOf(path, { license }) {
  if (license !== undefined) return license;
  try {
    const { license: one, licenses = [] } = JSON.parse(readFileSync(`${path}/package.json`, 'utf8'));
    return one ?? licenses.map(({ type }) => type).join(' AND ');
  } catch {
    return '';
  }
}

const byLicence = new Map();
const troubles = [];
for (const [path, entry] of Object.entries(packages)) {
  if (!path.startsWith('node_modules/') || entry.link === true || entry.dev === true || entry.devOptional === true)
    continue;
  const name = path.slice(path.lastIndexOf('node_modules/') + 'node_modules/'.length);
  if (name.startsWith('@yarin/')) continue;
  const licence = licenceOf(path, entry);
  byLicence.set(licence, [...(byLicence.get(licence) ?? []), `${name} ${entry.version}`]);
  if (FREE.test(licence)) continue;
  if (!NAMED.test(licence)) troubles.push(`${name} ${entry.version}: “${licence}” is a licence that nobody looked at.`);
  else if (!notices.includes(name.replace(/^lightningcss-.*/, 'lightningcss')))
    troubles.push(`${name} ${entry.version}: ${licence} asks to be named in NOTICES.md.`);
}
for (const [licence, names] of [...byLicence].sort(([a], [b]) => a.localeCompare(b)))
  console.log(`${licence} (${names.length})\n  ${[...new Set(names)].sort().join(', ')}\n`);
for (const trouble of troubles) console.error(trouble);
process.exitCode = troubles.length === 0 ? 0 : 1;
