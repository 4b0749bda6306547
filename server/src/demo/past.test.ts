import { policySchema } from '@alfombra/core';
import { judgeRecord } from '@alfombra/core/judging';
import { moreLawns } from './moreLawns';

const lawns = moreLawns();
const records = lawns.flatMap((lawn) => lawn.records.map((record) => ({ lawn, ...record })));

it('is lawful: nothing in two years of work is over a limit', () => {
  const policy = policySchema.parse({});
  const over = records.flatMap(({ lawn, id, body }) => {
    const others = lawn.records.map((other) => ({ ...other.body, id: other.id }));
    return judgeRecord({ ...body, id }, lawn.body, others, policy, [])
      .filter(({ severity }) => severity === 'exceeds')
      .map(
        ({ rule, inputs }) => `${lawn.body.name} ${body.date}: ${rule} ${JSON.stringify(inputs)}`,
      );
  });
  expect(over).toEqual([]);
});

it('is lively: two years and a spring, rain, answers and none, offers and work of others', () => {
  const ids = new Set(records.map(({ id }) => id));
  expect(ids.size).toBe(records.length);
  expect(new Set(records.map(({ body }) => body.date.slice(0, 4)))).toEqual(
    new Set(['2024', '2025', '2026']),
  );
  expect(records.filter(({ body }) => body.effect === 0).length).toBeGreaterThan(2);
  const seen = lawns.flatMap(({ body }) => Object.values(body.looks).map((look) => look.seen));
  expect(new Set(seen)).toEqual(new Set(['gone', 'fewer', 'same']));
  const agreed = lawns.map(({ body }) => body.agreement);
  expect(agreed.filter((one) => one && one.services.length < 8).length).toBeGreaterThan(2);
  expect(agreed.filter((one) => one?.doneBy.feeding === 'customer').length).toBeGreaterThan(2);
});
