import {
  seededRandom,
  type CustomerBody,
  type LocalDate,
  type PhotoBody,
  type SoilSampleBody,
} from '@alfombra/core';
import { turfPicture } from '@alfombra/core/standins';
import { PNG } from 'pngjs';
import { demoId, type DemoLawn } from './company';

/** Whom the demo's lawns belong to; some have several. */
export function customersOf(lawns: readonly DemoLawn[]): { id: string; body: CustomerBody }[] {
  const byId = new Map<string, CustomerBody>();
  for (const { body } of lawns) {
    if (!body.customerId || byId.has(body.customerId)) continue;
    byId.set(body.customerId, {
      name: body.customer,
      phone: `555 01${String(byId.size + 10).slice(-2)}`,
      email: '',
      language: byId.size % 4 === 3 ? 'es' : 'en',
      note: '',
      archived: false,
    });
  }
  return [...byId].map(([id, body]) => ({ id, body }));
}

const numberOf = (lawn: DemoLawn) => Number.parseInt(lawn.id.slice(-4), 16);

/** Bags of soil: every fifth lawn has one, sent in March. */
export function samplesOf(lawn: DemoLawn): { id: string; body: SoilSampleBody }[] {
  const number = numberOf(lawn);
  const zone = lawn.body.zones[0];
  if (number % 5 !== 0 || !zone) return [];
  return [
    {
      id: demoId(12, number),
      body: {
        lawnId: lawn.id,
        zoneId: zone.id,
        date: '2026-03-17' as LocalDate,
        bagId: `Q-${100 + number}`,
        cores: 12,
        depthIn: 4,
        from: 'whole-zone',
        sentOn: '2026-03-18' as LocalDate,
        laboratory: 'stand-in',
        report: null,
      },
    },
  ];
}

const PICTURE = { width: 240, height: 180 };

/** Made-up photos of one place in fall and in spring: every sixth lawn has a pair. */
export function photosOf(lawn: DemoLawn): { id: string; body: PhotoBody; bytes: Buffer }[] {
  const number = numberOf(lawn);
  const zone = lawn.body.zones[lawn.body.zones.length - 1];
  if (number % 6 !== 1 || !zone) return [];
  const corner = zone.outline[0] ?? { x: 0, y: 0 };
  return [
    { date: '2025-10-06', green: 0.45, note: 'Thin at the back corner' },
    { date: '2026-03-17', green: 0.72, note: 'The same corner after the fall feeding' },
  ].map(({ date, green, note }, index) => {
    const picture = turfPicture(
      seededRandom(number * 7 + index),
      green,
      PICTURE.width,
      PICTURE.height,
    );
    const bytes = PNG.sync.write(
      Object.assign(new PNG({ width: picture.width, height: picture.height }), {
        data: Buffer.from(picture.rgb),
      }),
      { inputColorType: 2, inputHasAlpha: false, colorType: 2 },
    );
    return {
      id: demoId(11, number * 4 + index),
      bytes,
      body: {
        lawnId: lawn.id,
        date: date as LocalDate,
        at: { x: corner.x + 6, y: corner.y + 6 },
        note,
        standIn: true,
        type: 'image/png' as const,
        bytes: bytes.length,
      },
    };
  });
}
