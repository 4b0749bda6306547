import {
  localDate,
  policySchema,
  type Company,
  type CompanyUpdate,
  type LocalDate,
} from '@alfombra/core';
import { HttpFailure } from '../http/failure';
import type { Models } from '../models';
import type { SignedIn } from '../sessions/service';
import type { CompanyRow } from './model';

/** The calendar day where the server stands, which is where the company works. */
export function calendarDay(now: Date): LocalDate {
  const two = (n: number) => String(n).padStart(2, '0');
  return localDate(`${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`);
}

export class CompanyService {
  constructor(
    private readonly models: Models,
    private readonly now: () => Date = () => new Date(),
  ) {}

  async get(companyId: string): Promise<Company> {
    return this.present(await this.row(companyId));
  }

  /** @throws HttpFailure `not-allowed` for technicians, `stale-version` */
  async update({ user, companyId }: SignedIn, change: CompanyUpdate): Promise<Company> {
    if (user.role !== 'owner') {
      throw new HttpFailure('not-allowed', 'Only the owner changes the company’s settings.');
    }
    const row = await this.row(companyId);
    if (row.version !== change.version) {
      throw new HttpFailure('stale-version', 'Somebody changed the settings in the meantime.', [
        'version',
      ]);
    }
    await row.update({ clock: change.clock, policy: change.policy, version: row.version + 1 });
    return this.present(row);
  }

  private async row(companyId: string): Promise<CompanyRow> {
    const row = await this.models.companies.findOne({ where: { id: companyId } });
    if (!row) throw new HttpFailure('not-found', 'There is no such company.');
    return row;
  }

  private present({ id, name, demo, clock, policy, version }: CompanyRow): Company {
    const today = clock.kind === 'fixed' ? clock.date : calendarDay(this.now());
    // A row from before a setting was there gets its default.
    return { id, name, demo, clock, policy: policySchema.parse(policy), version, today };
  }
}
