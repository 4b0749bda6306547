import { lawnSchema, type Lawn } from '@alfombra/core';
import { testLawn } from '@/testdata/testLawn';
import { wholeLawn } from './wholeLawn';

const { agreement: _agreement, handDone: _handDone, looks: _looks, ...older } = testLawn();

it('fills in what an older app did not know, as the server would, and changes nothing else', () => {
  expect(wholeLawn(older as Lawn)).toEqual(lawnSchema.parse(older));
  const lawn = { ...testLawn(), agreement: { services: [], doneBy: {} } };
  expect(wholeLawn(lawn)).toEqual(lawn);
});
