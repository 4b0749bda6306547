const { existsSync, readFileSync, statSync } = require('node:fs');
const { dirname, join, resolve } = require('node:path');
const { parse } = require('@babel/parser');

const SOURCE = { sourceType: 'module', plugins: ['typescript', 'jsx'] };

/** The file that a module name without its ending stands for, or `null`. */
function fileOf(base) {
  for (const path of [
    `${base}.ts`,
    `${base}.tsx`,
    join(base, 'index.ts'),
    join(base, 'index.tsx'),
  ]) {
    if (existsSync(path)) return path;
  }
  return existsSync(base) && statSync(base).isFile() ? base : null;
}

const known = new Map();

/** Which file declares each value that a module exports. */
function exportsOf(file) {
  const before = known.get(file);
  if (before) return before;
  const names = new Map();
  known.set(file, names);
  const imported = new Map();
  for (const node of parse(readFileSync(file, 'utf8'), SOURCE).program.body) {
    if (node.type === 'ImportDeclaration' && node.importKind !== 'type') {
      const from = node.source.value.startsWith('.')
        ? fileOf(resolve(dirname(file), node.source.value))
        : null;
      for (const { type, local, imported: theirs } of node.specifiers) {
        if (from && type === 'ImportSpecifier') imported.set(local.name, [from, theirs.name]);
      }
    }
    if (node.exportKind === 'type') continue;
    const from = node.source ? fileOf(resolve(dirname(file), node.source.value)) : null;
    if (node.type === 'ExportAllDeclaration' && from) {
      for (const [name, target] of exportsOf(from)) if (!names.has(name)) names.set(name, target);
    } else if (node.type === 'ExportNamedDeclaration' && from) {
      const theirs = exportsOf(from);
      for (const { local, exported, exportKind } of node.specifiers) {
        if (exportKind === 'type') continue;
        const target = theirs.get(local.name);
        if (target) names.set(exported.name, target);
      }
    } else if (node.type === 'ExportNamedDeclaration') {
      for (const { local, exported, exportKind } of node.specifiers) {
        if (exportKind === 'type') continue;
        // Some barrels import first and export at their end.
        const [from, theirs] = imported.get(local.name) ?? [];
        names.set(
          exported.name,
          (from && exportsOf(from).get(theirs)) || { file, name: exported.name },
        );
      }
      const { declaration } = node;
      const declared =
        declaration?.type === 'VariableDeclaration'
          ? declaration.declarations.map(({ id }) => id.name)
          : declaration?.id && !/^TS(Interface|TypeAlias)/.test(declaration.type)
            ? [declaration.id.name]
            : [];
      for (const name of declared) if (name) names.set(name, { file, name });
    }
  }
  return names;
}

/**
 * A Babel plugin: an import from a barrel, a file that only passes on what others export, becomes one from
 * the files that declare. Metro keeps every module that is named, used or not: without this a list of lawns
 * brings the planner with it.
 * @param options.packages entries of a package by the name they are imported by
 * @param options.declared for other packages, by their name: which module declares a value, as
 *   `(name) => [module, exported name] | undefined`
 * @param options.alias folder that `@/` stands for
 */
module.exports = function barrels({ types: t }, { packages, declared: foreign, alias }) {
  const resolved = (name, from) => {
    if (packages[name]) return packages[name];
    if (name.startsWith('@/')) return fileOf(join(alias, name.slice(2)));
    return name.startsWith('.') ? fileOf(resolve(dirname(from), name)) : null;
  };
  /** How a name of a module is found where it is declared; nothing for a module that is no barrel. */
  const finderOf = (name, from) => {
    const declares = foreign[name];
    // Inside other packages only the packages that are named: their own files are not ours to judge.
    if (from.includes('node_modules') && !packages[name]) return null;
    if (declares) {
      return (wanted) => {
        const [file, exported] = declares(wanted) ?? [];
        return file && { file, name: exported };
      };
    }
    const target = resolved(name, from);
    if (!/\.(tsx?|m?js)$/.test(target ?? '')) return null;
    return (wanted) => {
      const declared = exportsOf(target).get(wanted);
      return declared?.file === target ? undefined : declared;
    };
  };
  const address = ({ file }) => t.stringLiteral(file.replace(/\.tsx?$/, ''));
  return {
    name: 'barrels',
    visitor: {
      ExportNamedDeclaration(path, state) {
        const { node } = path;
        if (!node.source || node.exportKind === 'type') return;
        const find = finderOf(node.source.value, state.filename ?? '');
        if (!find) return;
        const apart = [];
        const rest = [];
        for (const specifier of node.specifiers) {
          const declared = specifier.exportKind === 'type' ? undefined : find(specifier.local.name);
          if (declared) apart.push({ specifier, declared });
          else rest.push(specifier);
        }
        if (apart.length === 0) return;
        path.replaceWithMultiple([
          ...apart.map(({ specifier, declared }) =>
            t.exportNamedDeclaration(
              null,
              [t.exportSpecifier(t.identifier(declared.name), specifier.exported)],
              address(declared),
            ),
          ),
          ...(rest.length > 0 ? [t.exportNamedDeclaration(null, rest, node.source)] : []),
        ]);
      },
      ImportDeclaration(path, state) {
        const { node } = path;
        if (node.importKind === 'type' || node.specifiers.length === 0) return;
        const find = finderOf(node.source.value, state.filename ?? '');
        if (!find) return;
        const apart = [];
        const rest = [];
        for (const specifier of node.specifiers) {
          const declared =
            specifier.type === 'ImportSpecifier' && specifier.importKind !== 'type'
              ? find(specifier.imported.name)
              : undefined;
          if (declared) apart.push({ specifier, declared });
          else rest.push(specifier);
        }
        if (apart.length === 0) return;
        const values = rest.filter(({ importKind }) => importKind !== 'type');
        path.replaceWithMultiple([
          ...apart.map(({ specifier, declared }) =>
            t.importDeclaration(
              [
                declared.name === 'default'
                  ? t.importDefaultSpecifier(specifier.local)
                  : t.importSpecifier(specifier.local, t.identifier(declared.name)),
              ],
              address(declared),
            ),
          ),
          ...(values.length > 0 ? [t.importDeclaration(values, node.source)] : []),
        ]);
      },
    },
  };
};
module.exports.exportsOf = exportsOf;
