/** Tables that are on the device, by address: filled by the loader of chunks. */
const tables = (globalThis.alfombraTables ??= {});

/** A table; fetched on the spot where nobody has fetched it ahead, as in a worker. */
exports.table = (url) => {
  if (tables[url] === undefined) {
    const request = new XMLHttpRequest();
    request.open('GET', url, false);
    request.send();
    if (request.status !== 200) throw new Error(`Loading table ${url} failed.`);
    tables[url] = JSON.parse(request.responseText);
  }
  return tables[url];
};
