const { createHash } = require('node:crypto');
const { mkdirSync, readFileSync, readdirSync, rmSync, writeFileSync } = require('node:fs');
const { basename, join } = require('node:path');

/** Smaller ones are not worth a request of their own. */
const LEAST_BYTES = 8_000;

/**
 * The tables of knowledge as files of their own, `/tables/<name>-<hash>.json`, instead of once in the page's
 * scripts and once more in each worker's. In their place stands a module that takes the table from where the
 * loader has put it, or fetches it itself (a worker may wait; it gets what the page has fetched from the cache).
 * @returns the stand-in for each table's path
 */
function makeTables({ data, publicFolder, modules }) {
  const folder = join(publicFolder, 'tables');
  for (const place of [folder, modules]) {
    rmSync(place, { recursive: true, force: true });
    mkdirSync(place, { recursive: true });
  }
  const standIns = new Map();
  for (const file of readdirSync(data)) {
    const text = JSON.stringify(JSON.parse(readFileSync(join(data, file), 'utf8')));
    if (text.length < LEAST_BYTES) continue;
    const name = basename(file, '.json');
    const hash = createHash('sha256').update(text).digest('hex').slice(0, 16);
    const url = `/tables/${name}-${hash}.json`;
    writeFileSync(join(publicFolder, url), text);
    const path = join(modules, `${name}.js`);
    writeFileSync(
      path,
      `module.exports = require('../bundling/table').table(${JSON.stringify(url)});\n`,
    );
    standIns.set(join(data, file), { path, url });
  }
  return standIns;
}

module.exports = { makeTables };
