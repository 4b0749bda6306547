import {
  localDate,
  monthOf,
  policySchema,
  siteOffset,
  soilTemperature,
  meanAir,
  responseAtDepth,
  daysBetween,
  type ReadingBody,
  siteFactors,
} from '@alfombra/core';
import type { Models } from '../models';
import { redrawn } from '../photos/picture';
import { hashPassword } from '../sessions/password';
import { customersOf, photosOf, samplesOf } from './properties';
import { demoLabels } from './labels';
import { moreLawns } from './moreLawns';
import { standInStations } from '../standins/weatherStation';
import {
  DEMO_COMPANY_ID,
  DEMO_DAY,
  DEMO_PASSWORD,
  demoId,
  writtenLawns,
  demoUsers,
  type DemoLawn,
} from './company';

/** Every lawn of the demo, the same on every call. */
const demoLawns = (): DemoLawn[] => [...writtenLawns(), ...moreLawns()];

const PROBE_DATE = '2026-04-06';
/** How the stand-in probe differs from the model, and how its spots differ among themselves, °F. */
const PROBE_SHIFT_F = 1.4;
const SPOTS_F = [-0.8, 0.3, 0, 0.9, -0.4];

/** A stand-in probe: reads what the model says of the zone, a little warmer, at five spots. */
function probe(lawn: DemoLawn): { id: string; body: ReadingBody }[] {
  const station = standInStations.get(lawn.body.stationId);
  if (!station) return [];
  const days = station.measured(localDate(PROBE_DATE));
  return lawn.body.zones.map((zone, index) => {
    const soil = soilTemperature(
      days.map((day) => meanAir(day) + siteOffset(siteFactors(zone), monthOf(day.date))),
      {
        response: responseAtDepth(2),
        startF: days.slice(0, 30).reduce((sum, day) => sum + meanAir(day), 0) / 30,
      },
      days.map(({ snowIn }) => snowIn),
    );
    const there = soil[daysBetween(localDate('2026-01-01'), localDate(PROBE_DATE))] as number;
    return {
      id: demoId(7, Number.parseInt(lawn.id.slice(-4), 16) * 16 + index),
      body: {
        lawnId: lawn.id,
        zoneId: zone.id,
        date: localDate(PROBE_DATE),
        hour: 9,
        depthIn: 2,
        valuesF: SPOTS_F.map((spot) => Number((there + PROBE_SHIFT_F + spot).toFixed(1))),
        takenBack: false,
      },
    };
  });
}

/**
 * Loads the demo company into an empty database, or over the old one when asked to.
 * @returns false when it was there already and was kept
 */
export async function loadDemo(models: Models, { reset }: { reset: boolean }): Promise<boolean> {
  const there = await models.companies.findOne({ where: { id: DEMO_COMPANY_ID } });
  if (there && !reset) return false;
  const passwordHash = await hashPassword(DEMO_PASSWORD);
  await models.sequelize.transaction(async (transaction) => {
    if (there) await there.destroy({ transaction });
    await models.companies.create(
      {
        id: DEMO_COMPANY_ID,
        name: 'Quillmoor Lawn Company',
        demo: true,
        clock: { kind: 'fixed', date: localDate(DEMO_DAY) },
        policy: policySchema.parse({ labels: demoLabels() }),
        version: 1,
      },
      { transaction },
    );
    await models.users.bulkCreate(
      demoUsers.map((user) => ({ ...user, companyId: DEMO_COMPANY_ID, passwordHash })),
      { transaction },
    );
    const document = { companyId: DEMO_COMPANY_ID, version: 1 };
    const lawns = demoLawns();
    await models.customers.bulkCreate(
      customersOf(lawns).map((customer) => ({ ...document, ...customer })),
      { transaction },
    );
    for (const lawn of lawns) {
      await models.lawns.create({ ...document, id: lawn.id, body: lawn.body }, { transaction });
      const ofLawn = ({ id, body }: { id: string; body: { date: string } }) => ({
        ...document,
        id,
        body,
        lawnId: lawn.id,
        date: body.date,
      });
      await models.visits.bulkCreate(lawn.visits.map(ofLawn), { transaction });
      await models.records.bulkCreate(lawn.records.map(ofLawn), { transaction });
      await models.samples.bulkCreate(samplesOf(lawn).map(ofLawn), { transaction });
      const photos = photosOf(lawn);
      await models.photos.bulkCreate(photos.map(ofLawn), { transaction });
      await models.photoFiles.bulkCreate(
        await Promise.all(
          photos.map(async ({ id, bytes: raw }) => {
            const bytes = await redrawn(raw);
            return { photoId: id, companyId: DEMO_COMPANY_ID, size: bytes.length, bytes };
          }),
        ),
        { transaction },
      );
      if (lawn.probed) await models.readings.bulkCreate(probe(lawn).map(ofLawn), { transaction });
    }
  });
  return true;
}
