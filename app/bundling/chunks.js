const serializer = require('@expo/metro-config/build/serializer/serializeChunks');
const filenames = require('@expo/metro-config/build/serializer/computeChunkFilenames');

/**
 * Expo puts every module that two routes share into one common chunk, which the first page loads whole. Here
 * a module goes where it is needed: what the first pages share stays common; what later routes share becomes a
 * chunk that is fetched together with each of them. A path then names all scripts and tables of a route, with
 * `|` between them; `loader.js` takes it apart.
 */
const BETWEEN = '|';
/** A group of modules that fewer bytes than this share is written into each chunk that needs it. */
const LEAST_SHARED_BYTES = 12_000;

const { Chunk } = serializer;
if (!Chunk || !filenames.precomputeChunkFilenames) {
  throw new Error('bundling/chunks.js does not know this version of @expo/metro-config.');
}

const resolvedSync = (module, graph) =>
  [...module.dependencies.values()].flatMap((dependency) => {
    const target = dependency.absolutePath && graph.dependencies.get(dependency.absolutePath);
    return target && !dependency.data.data.asyncType ? [target] : [];
  });

/** A module and all that it needs at once. */
function closureOf(entries, graph) {
  const found = new Set(entries);
  for (const module of found) for (const next of resolvedSync(module, graph)) found.add(next);
  return found;
}

/** What the entry of a chunk itself imports later. */
const laterOf = (chunk) =>
  [...chunk.entries].flatMap((entry) =>
    [...entry.dependencies.values()]
      .filter((dependency) => dependency.data.data.asyncType && dependency.absolutePath)
      .map(({ absolutePath }) => absolutePath),
  );

const bytesOf = (modules) =>
  [...modules].reduce(
    (sum, { output }) =>
      sum + output.reduce((total, { data }) => total + (data.code?.length ?? 0), 0),
    0,
  );

/** Modules that some module imports later, by path. */
function asyncTargets(graph) {
  const targets = new Map();
  for (const module of graph.dependencies.values()) {
    for (const dependency of module.dependencies.values()) {
      const type = dependency.data.data.asyncType;
      const target = dependency.absolutePath && graph.dependencies.get(dependency.absolutePath);
      if (type && type !== 'worker' && target) targets.set(target.path, target);
    }
  }
  return targets;
}

/**
 * @param rules.eager modules that the page at the door loads later: what two of them share is common
 * @param rules.covers layouts that are loaded before a route under them, outermost first: what they
 *   have is not written again. `(path) => layouts' paths`
 */
function redistribute(chunks, chunksByPath, rules) {
  const entry = [...chunks].find(({ isEntry, isAsync }) => isEntry && !isAsync);
  if (!entry) return;
  const { graph, options } = entry;
  const sealed = [...chunks].filter(({ sealed: own }) => own);
  const runtime = [...chunks].filter(({ name }) => /__expo-metro-runtime/.test(name));
  const oldCommon = [...chunks].find(({ name }) => name === '/__common.js');
  const targets = asyncTargets(graph);
  const inEntry = closureOf(entry.entries, graph);
  entry.deps = inEntry;

  const lazy = [...targets.values()].filter((target) => !inEntry.has(target));
  const needs = new Map(lazy.map((target) => [target.path, closureOf([target], graph)]));
  const eager = lazy.filter(({ path }) => rules.eager.includes(path));
  const common = new Set();
  const seen = new Set();
  for (const { path } of eager) {
    for (const module of needs.get(path)) {
      if (inEntry.has(module)) continue;
      if (seen.has(module)) common.add(module);
      seen.add(module);
    }
  }

  const own = new Map();
  const users = new Map();
  for (const { path } of lazy) {
    const covered = new Set([...inEntry, ...common]);
    for (const layout of rules.covers(path)) {
      if (layout !== path) for (const module of needs.get(layout) ?? []) covered.add(module);
    }
    const modules = [...needs.get(path)].filter((module) => !covered.has(module));
    own.set(path, new Set(modules));
    for (const module of modules) users.set(module, [...(users.get(module) ?? []), path]);
  }
  const groups = new Map();
  for (const [module, paths] of users) {
    const key = paths.length > 1 ? [...paths].sort().join('\n') : null;
    if (key) groups.set(key, [...(groups.get(key) ?? []), module]);
  }
  const shared = new Map();
  for (const [key, modules] of groups) {
    if (bytesOf(modules) < LEAST_SHARED_BYTES) continue;
    // An import that waits names the chunk of its module: that one stays with its route.
    const movable = modules.filter(({ path }) => !targets.has(path));
    // Async, so that the page itself does not name it.
    const chunk = new Chunk(
      `/__shared-${shared.size}.js`,
      new Set(movable),
      graph,
      options,
      true,
      true,
    );
    for (const path of key.split('\n')) {
      shared.set(path, [...(shared.get(path) ?? []), chunk]);
      for (const module of movable) own.get(path).delete(module);
    }
    shared.set(chunk.name, chunk);
  }

  chunks.clear();
  chunksByPath.clear();
  const put = (chunk) => chunks.add(chunk);
  put(entry);
  const commonChunk = new Chunk('/__common.js', common, graph, options, false, true);
  if (common.size > 0) put(commonChunk);
  for (const chunk of [...runtime, ...sealed]) put(chunk);
  entry.requiredChunks.delete(oldCommon);
  if (common.size > 0) entry.requiredChunks.add(commonChunk);
  const chunkOf = new Map();
  for (const target of lazy) {
    if (common.has(target)) continue;
    const chunk = new Chunk(target.path, new Set([target]), graph, options, true);
    chunk.deps = own.get(target.path);
    chunk.deps.add(target);
    chunkOf.set(target.path, chunk);
    put(chunk);
  }
  for (const [path, chunk] of chunkOf) {
    // The router asks for a route without waiting for the layouts around it: they come along.
    const layouts = rules
      .covers(path)
      .flatMap((layout) => (layout === path ? [] : (chunkOf.get(layout) ?? [])));
    const around = [...layouts.map((layout) => layout.name), path].flatMap(
      (name) => shared.get(name) ?? [],
    );
    chunk.alongside = [...new Set([...layouts, ...around])];
  }
  for (const [name, chunk] of shared) if (name.startsWith('/__shared')) put(chunk);
  for (const chunk of chunks)
    for (const first of runtime) {
      if (chunk !== first && !chunk.sealed) chunk.requiredChunks.add(first);
    }
  // A module that is written into several chunks is asked for by the one it is the entry of.
  for (const chunk of chunks) {
    for (const { path } of chunk.entries)
      if (!chunksByPath.has(path)) chunksByPath.set(path, chunk);
  }
  for (const chunk of [...chunks].sort((a, b) => Number(a.sealed) - Number(b.sealed))) {
    for (const { path } of chunk.deps) if (!chunksByPath.has(path)) chunksByPath.set(path, chunk);
  }
}

/**
 * Takes the place of Expo's choice of chunks.
 * @param rules see `redistribute`
 * @param tableOf address of the table that a module stands in for, by the module's path
 * @param tell gets, once they are known, `{ file, urls }` of each module that is loaded later
 */
function chunksByRoute(rules, tableOf, tell) {
  const tablesOf = (chunk) =>
    [chunk, ...(chunk.alongside ?? [])].flatMap(({ deps }) =>
      [...deps].flatMap(({ path }) => (tableOf.has(path) ? [tableOf.get(path)] : [])),
    );
  const addressesOf = (chunk, names) => [
    ...[...(chunk.alongside ?? []), chunk].map((script) => `/${names.get(script)}`),
    ...new Set(tablesOf(chunk)),
  ];
  const before = filenames.precomputeChunkFilenames;
  filenames.precomputeChunkFilenames = (given) => {
    if (given.recomputeChunkNames) redistribute(given.chunks, given.chunksByPath, rules);
    const names = before(given);
    if (given.recomputeChunkNames) {
      const lazy = [...given.chunks].filter(
        ({ isAsync, isVendor, sealed }) => isAsync && !isVendor && !sealed,
      );
      const byPath = new Map(
        lazy.flatMap((chunk) => [...chunk.entries].map(({ path }) => [path, chunk])),
      );
      tell(
        [...byPath].map(([file, chunk]) => ({
          file,
          // With a route, what its own file imports later: a layout that is drawn at once.
          urls: [chunk, ...laterOf(chunk).flatMap((path) => byPath.get(path) ?? [])].flatMap(
            (entry) => addressesOf(entry, names),
          ),
        })),
      );
    }
    return names;
  };

  const targetsOf = Chunk.prototype.getAsyncChunkTargets;
  Chunk.prototype.getAsyncChunkTargets = function getAsyncChunkTargets(chunkByPath) {
    const targets = targetsOf.call(this, chunkByPath);
    // A change in what comes along changes the address that is written here.
    for (const target of [...targets])
      for (const chunk of target.alongside ?? []) targets.add(chunk);
    return targets;
  };

  Chunk.prototype.getComputedPathsForAsyncDependencies = function paths(chunksByPath, names) {
    if (this.options.includeAsyncPaths) return null;
    const computed = {};
    for (const module of this.deps) {
      for (const dependency of module.dependencies.values()) {
        if (!dependency.absolutePath || !dependency.data.data.asyncType) continue;
        const chunk = chunksByPath.get(dependency.absolutePath);
        if (!chunk?.isAsync) continue;
        computed[dependency.absolutePath] = chunk.sealed
          ? `/${names.get(chunk)}`
          : addressesOf(chunk, names).join(BETWEEN);
      }
    }
    return computed;
  };
}

module.exports = { BETWEEN, chunksByRoute };
