/**
 * Loads what a path of `chunks.js` names: its scripts and tables together. A chunk that the server no longer
 * has (the app was replaced under an open page) reloads the page, once.
 */
const BETWEEN = '|';
const RELOADED = 'alfombra-reloaded-for';
const tables = (globalThis.alfombraTables ??= {});
const name = `${globalThis.__METRO_GLOBAL_PREFIX__ ?? ''}__loadBundleAsync`;
const loadScript = globalThis[name];

const loads = new Map();
function loadOnce(url, load) {
  if (!loads.has(url)) {
    const loading = load(url).catch((error) => {
      loads.delete(url);
      throw error;
    });
    loads.set(url, loading);
  }
  return loads.get(url);
}

/** Has the browser fetch a script without running it. */
function ahead(url) {
  if (loads.has(url)) return;
  const link = document.createElement('link');
  Object.assign(link, { rel: 'preload', as: 'script', href: url });
  document.head.append(link);
}

async function loadTable(url) {
  const answer = await fetch(url);
  if (!answer.ok) throw new Error(`Loading table ${url} failed.`);
  tables[url] = await answer.json();
}

/** Whether the server is there and has another app than this page. */
async function replaced() {
  const page = await fetch('/', { cache: 'no-store' })
    .then((answer) => (answer.ok ? answer.text() : ''))
    .catch(() => '');
  // The scripts that the page itself names carry hashes: another app has others.
  const here = [...document.querySelectorAll('script[src^="/_expo/"][defer]')];
  return page !== '' && here.some((script) => !page.includes(script.getAttribute('src')));
}

if (loadScript) {
  globalThis[name] = async (path) => {
    try {
      const parts = path.split(BETWEEN);
      const tablesOf = parts.filter((url) => url.endsWith('.json'));
      const scripts = parts.filter((url) => !url.endsWith('.json'));
      const own = scripts.pop();
      if (scripts.length + tablesOf.length > 0) ahead(own);
      // What a chunk needs is there before the chunk itself: whoever asks for one of its modules in between
      // must not find it half.
      await Promise.all([
        ...scripts.map((url) => loadOnce(url, loadScript)),
        ...tablesOf.map((url) => loadOnce(url, loadTable)),
      ]);
      await loadOnce(own, loadScript);
    } catch (error) {
      if (sessionStorage.getItem(RELOADED) !== path && (await replaced())) {
        sessionStorage.setItem(RELOADED, path);
        globalThis.location.reload();
      }
      throw error;
    }
  };
}
