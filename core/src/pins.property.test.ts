/**
 * Laws 9 and 13: what somebody has set stays where they set it, the rest of the plan adds no breach of a rule to it, and
 * two devices' decisions give one plan in whatever order they come. Above both floors, as planner against judge.
 */
import fc from 'fast-check';
import { applicationsOf, localDate } from './index';
import { checkApplication, type CheckContext } from './checker';
import { judgeContext } from './judging';
import { lawnSeason } from './planning';
import { needOfWork } from './needs';
import { addDays } from './units';
import { anyLawn, dayOf, inputOf, lawnOf } from './testdata/anyLawn';
import { cases } from './units/testdata/cases';
import type { SoilSeason } from './weather';

const anyPins = fc.array(
  fc.record({ at: fc.nat({ max: 30 }), days: fc.integer({ min: -20, max: 20 }) }),
  { minLength: 1, maxLength: 3 },
);

it('keeps what was set, once, and lays nothing beside it that breaks a rule', () => {
  let set = 0;
  let over = 0;
  fc.assert(
    fc.property(anyLawn, anyPins, (sample, wanted) => {
      const { zone, records, weather, history, request } = inputOf(sample);
      const ask = (decisions: (typeof request)['decisions']) =>
        lawnSeason({ ...request, decisions }, weather, [], records, history);
      const free = ask([]).season.steps.filter(({ kind }) => kind !== 'look-again');
      if (free.length === 0) return;
      const pins = new Map(
        wanted.map(({ at, days }) => {
          const step = free[at % free.length]!;
          const day = addDays(step.window.best, days);
          const date = day < request.today ? request.today : day;
          return [step.id, { kind: 'pin' as const, work: step.id, date }];
        }),
      );
      const { season, soil } = ask([...pins.values()]);
      for (const { work, date } of pins.values()) {
        set += 1;
        const found = season.steps.filter(({ serves }) =>
          serves.some((one) =>
            // A seed keeps its purpose over the turn of a year.
            work.includes('/sow/') ? one.includes('/sow/') : one === work,
          ),
        );
        expect({ work, found: found.map((step) => [step.window.best, step.pinned]) }).toEqual({
          work,
          found: [[date, true]],
        });
      }
      const all = [...records, ...season.steps.flatMap((step) => applicationsOf(step))];
      // Rounds of one course that somebody set too near each other break their rule together.
      const needs = new Set([...pins.keys()].map(needOfWork));
      const ofSet = ({ serves }: { serves: string[] }) =>
        serves.some((work) => needs.has(needOfWork(work)));
      for (const step of season.steps) {
        for (const application of applicationsOf(step)) {
          const context: CheckContext = {
            ...judgeContext(lawnOf(sample, zone), application, {
              others: all,
              policy: request.policy,
              samples: [],
            })!,
            ...dayOf(soil.get(zone.id) as SoilSeason, localDate(application.date)),
            kill: step.kind === 'control' && step.kill === true,
          };
          const breaches = checkApplication(application, context).filter(
            ({ severity }) => severity === 'exceeds',
          );
          if (step.pinned || ofSet(step)) over += breaches.length;
          else
            expect({
              pins: [...pins.values()],
              step: step.id,
              on: step.window.best,
              breaches,
            }).toMatchObject({
              breaches: [],
            });
        }
      }
    }),
    { ...cases(60), seed: 9 },
  );
  expect(set).toBeGreaterThan(40);
  // What somebody set is judged and told, not put right.
  expect(over).toBeGreaterThan(0);
});

it('gives one plan in whatever order decisions come', () => {
  fc.assert(
    fc.property(anyLawn, anyPins, fc.nat(), (sample, wanted, turn) => {
      const { records, weather, history, request } = inputOf(sample);
      const ask = (decisions: (typeof request)['decisions']) =>
        lawnSeason({ ...request, decisions }, weather, [], records, history).season;
      const free = ask([]);
      if (free.steps.length === 0) return;
      const pins = wanted.flatMap(({ at, days }) => {
        const step = free.steps[at % free.steps.length]!;
        const date = addDays(step.window.best, days);
        return [
          { kind: 'pin' as const, work: step.id, date },
          { kind: 'pin' as const, work: step.id, date: addDays(date, 3) },
        ];
      });
      const needs = free.needs.slice(0, 2).flatMap(({ id }) => [
        { kind: 'not-here' as const, needId: id, until: addDays(request.today, 9) },
        { kind: 'not-here' as const, needId: id, until: addDays(request.today, 30) },
        { kind: 'course' as const, needId: id, course: 'leave', on: request.today },
      ]);
      const all = [...pins, ...needs];
      const at = turn % all.length;
      const one = ask(all);
      const other = ask([...all.slice(at), ...all.slice(0, at)].reverse());
      expect(other.steps).toEqual(one.steps);
      expect(other.needs).toEqual(one.needs);
    }),
    { ...cases(15), seed: 13 },
  );
});
