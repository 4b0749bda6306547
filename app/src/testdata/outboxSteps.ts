import fc from 'fast-check';
import { FIELDS, type Field, type OutboxWorld, type Weather } from './outboxWorld';

/** One thing that happens; nothing is in the model but what the world itself notes. */
class Step implements fc.AsyncCommand<object, OutboxWorld> {
  constructor(
    private readonly name: string,
    private readonly act: (world: OutboxWorld) => Promise<unknown>,
  ) {}
  check = () => true;
  async run(_model: object, world: OutboxWorld) {
    await this.act(world);
    if (world.faults.length > 0) throw new Error(world.faults.join('\n'));
  }
  toString = () => this.name;
}

const field = fc.constantFrom<Field>(...FIELDS);
const weather = fc.array(
  fc.constantFrom<Weather>('ok', 'ok', 'cut', 'lost', 'sick', 'sick after', 'hang'),
  { maxLength: 4 },
);
const turns = async (count: number) => {
  for (let turn = 0; turn < count; turn += 1) await new Promise((next) => setTimeout(next, 0));
};

/**
 * Everything that may happen, in any order.
 * @param old customers that everybody has; `fresh` one that is made on the first device
 */
export const outboxSteps = (OLD: readonly string[], NEW: string) => {
const device = fc.nat({ max: 1 });
const tab = fc.nat({ max: 1 });
const old = fc.constantFrom(...OLD);
const edits = fc.array(fc.record({ tab, id: old, field, wait: fc.nat({ max: 12 }) }), {
  maxLength: 3,
});
return [
  fc
    .tuple(device, tab, old, field, fc.boolean())
    .map(
      ([d, t, id, f]) =>
        new Step(`edit(${d}, ${t}, ${id.slice(-2)}, ${f})`, (w) => w.edit(d, t, id, f)),
    ),
  fc
    .tuple(tab, field)
    .map(([t, f]) => new Step(`edit new(${t}, ${f})`, (w) => w.edit(0, t, NEW, f))),
  fc
    .tuple(device, tab)
    .map(
      ([d, t]) => new Step(`edit badly(${d}, ${t})`, (w) => w.edit(d, t, OLD[0]!, 'name', true)),
    ),
  fc
    .tuple(device, tab, old)
    .map(
      ([d, t, id]) =>
        new Step(`begin(${d}, ${t}, ${id.slice(-2)})`, (w) => Promise.resolve(w.begin(d, t, id))),
    ),
  fc.tuple(device, tab, weather, edits).map(
    ([d, t, sky, more]) =>
      new Step(`flush(${d}, ${t}, ${JSON.stringify(sky)}, ${JSON.stringify(more)})`, (w) =>
        w.flush(d, t, sky, async () => {
          for (const edit of more) {
            await turns(edit.wait);
            await w.edit(d, edit.tab, edit.id, edit.field);
          }
        }),
      ),
  ),
  fc
    .tuple(old, field)
    .map(([id, f]) => new Step(`colleague(${id.slice(-2)}, ${f})`, (w) => w.colleague(id, f))),
  fc.tuple(device, tab).map(([d, t]) => new Step(`refresh(${d}, ${t})`, (w) => w.refresh(d, t))),
  fc
    .tuple(device, tab, fc.boolean())
    .map(([d, t, in_]) => new Step(`kill(${d}, ${t}, ${in_})`, (w) => w.kill(d, t, in_))),
  fc
    .tuple(device, fc.constantFrom('mine', 'theirs'))
    .map(([d, side]) => new Step(`settle(${d}, ${side})`, (w) => w.settle(d, side))),
  device.map((d) => new Step(`discard(${d})`, (w) => w.discard(d))),
];
};
