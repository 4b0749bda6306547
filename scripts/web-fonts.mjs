/**
 * Writes the app's faces as WOFF2, cut down to the letters it shows, into app/public/fonts, and the rules that
 * name them into app/public/fonts.css. Text is drawn before they are there (`swap`).
 */
import { createHash } from 'node:crypto';
import { execFileSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import subsetFont from 'subset-font';

const ROOT = join(import.meta.dirname, '..');
const PUBLIC = join(ROOT, 'app/public');
const FACES = {
  AtkinsonHyperlegibleNext_400Regular: 'atkinson-hyperlegible-next/400Regular',
  AtkinsonHyperlegibleNext_600SemiBold: 'atkinson-hyperlegible-next/600SemiBold',
  AtkinsonHyperlegibleNext_700Bold: 'atkinson-hyperlegible-next/700Bold',
  BricolageGrotesque_600SemiBold: 'bricolage-grotesque/600SemiBold',
  BricolageGrotesque_700Bold: 'bricolage-grotesque/700Bold',
};

const latinUpTo = (last) =>
  String.fromCodePoint(
    ...Array.from({ length: last - 0x20 + 1 }, (_, index) => 0x20 + index).filter(
      (code) => code < 0x7f || code > 0x9f,
    ),
  );
/** Headings: the letters of English and its neighbours, and the signs between words; others fall back. */
const HEADING = `${latinUpTo(0x7e)}ÁÉÍÑÓÖÜßáâäçèéêëíîïñóôöúûü¡¿°²·×–—‘’“”…→−`;

/** Text: the letters that names are written in, and every sign that our sources show. */
function letters() {
  const sources = execFileSync('git', ['ls-files', 'app/src', 'core/src'], {
    cwd: ROOT,
    encoding: 'utf8',
  })
    .split('\n')
    .filter((path) => /\.(json|tsx?)$/.test(path) && existsSync(join(ROOT, path)))
    .map((path) => readFileSync(join(ROOT, path), 'utf8'))
    .join('');
  return [...new Set([...latinUpTo(0x17f), ...sources])].join('');
}

const folder = join(PUBLIC, 'fonts');
rmSync(folder, { recursive: true, force: true });
mkdirSync(folder, { recursive: true });
const wanted = letters();
const rules = [];
for (const [family, path] of Object.entries(FACES)) {
  const source = join(ROOT, 'node_modules/@expo-google-fonts', path);
  const file = readdirSync(source).find((name) => name.endsWith('.ttf'));
  const bytes = await subsetFont(
    readFileSync(join(source, file)),
    family.startsWith('Bricolage') ? HEADING : wanted,
    {
      targetFormat: 'woff2',
    },
  );
  const name = `${family}-${createHash('sha256').update(bytes).digest('hex').slice(0, 12)}.woff2`;
  writeFileSync(join(folder, name), bytes);
  rules.push(
    `@font-face{font-family:${family};src:url(/fonts/${name}) format("woff2");font-display:swap}`,
  );
  console.log(`${name} ${bytes.length}`);
}
writeFileSync(join(PUBLIC, 'fonts.css'), `${rules.join('\n')}\n`);
