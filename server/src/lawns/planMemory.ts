import { gunzipSync, gzipSync } from 'node:zlib';
import { addDays, type LawnRevision } from '@alfombra/core';
import type { RememberedQuestion } from '@alfombra/core/planning';
import { Op } from 'sequelize';
import type { Models } from '../models';
import type { LawnWork, RememberedPlan } from './summarize';

/** Revisions of a lawn that are told, and days for which they are kept: a season. */
const MOST_TOLD = 40;
const KEPT_DAYS = 180;

/** What a plan was worked out with, beside what is the lawn's own. */
export interface PlanMarks {
  /** Of the planner's own code, and of the company's rules and labels. */
  code: string;
  policy: string;
}

const packed = (asked: RememberedQuestion): Buffer => gzipSync(JSON.stringify(asked));
const unpacked = (asked: Buffer): RememberedQuestion =>
  JSON.parse(gunzipSync(asked).toString('utf8')) as RememberedQuestion;

/** Every lawn's last plan with what it was worked out from, and what has moved since, with its cause. */
export class PlanMemory {
  constructor(private readonly models: Pick<Models, 'lawnPlans' | 'lawnRevisions'>) {}

  /** The last plans of some lawns, with what they were worked out with. */
  async of(
    companyId: string,
    lawnIds: readonly string[],
  ): Promise<Map<string, { plan: RememberedPlan; marks: PlanMarks }>> {
    const rows = await this.models.lawnPlans.findAll({
      where: { companyId, lawnId: [...lawnIds] },
    });
    return new Map(
      rows.map(({ lawnId, day, works, asked, code, policy }) => [
        lawnId,
        { plan: { day, works, asked: unpacked(asked) }, marks: { code, policy } },
      ]),
    );
  }

  /** Remembers plans, and keeps what moved in them. */
  async keep(
    companyId: string,
    marks: PlanMarks,
    made: readonly { lawnId: string; plan: NonNullable<LawnWork['plan']>; then?: PlanMarks }[],
  ): Promise<void> {
    await this.models.lawnPlans.bulkCreate(
      made.map(({ lawnId, plan: { day, works, asked } }) => ({
        lawnId,
        companyId,
        day,
        works,
        asked: packed(asked),
        ...marks,
      })),
      { updateOnDuplicate: ['day', 'works', 'asked', 'code', 'policy', 'updatedAt'] as never },
    );
    const moved = made.filter(({ plan }) => plan.moves.length > 0);
    if (moved.length === 0) return;
    await this.models.lawnRevisions.bulkCreate(
      moved.map(({ lawnId, plan: { day, moves }, then }) => ({
        lawnId,
        companyId,
        day,
        moves: moves.map((move) => ({ ...move, cause: causeOf(move.cause, marks, then) })),
      })),
    );
    const oldest = moved.map(({ plan }) => addDays(plan.day, -KEPT_DAYS)).sort()[0];
    await this.models.lawnRevisions.destroy({ where: { companyId, day: { [Op.lt]: oldest } } });
  }

  /** What moved in a lawn's plan, the newest first. */
  async revisions(companyId: string, lawnId: string): Promise<LawnRevision[]> {
    const rows = await this.models.lawnRevisions.findAll({
      where: { companyId, lawnId },
      order: [['id', 'DESC']],
      limit: MOST_TOLD,
    });
    return rows.map(({ id, day, moves }) => ({ id, day, moves }));
  }
}

/** What a new day seems to have moved may have been moved by other rules, or by a planner that has learnt. */
function causeOf(cause: string, now: PlanMarks, then: PlanMarks | undefined): string {
  if (cause !== 'day' || !then) return cause;
  if (then.policy !== now.policy) return 'policy';
  return then.code === now.code ? 'day' : 'app';
}
