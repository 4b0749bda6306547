import {
  dayIn,
  policySchema,
  workingDay,
  type Company,
  type CompanyUpdate,
  type LawnBody,
  type LocalDate,
} from '@alfombra/core';
import { HttpFailure } from '../http/failure';
import type { Models } from '../models';
import type { SignedIn } from '../sessions/service';
import type { CompanyRow } from './model';

/** Where the server stands, which is where the company works (`TZ` says otherwise). */
const SERVER_ZONE = new Intl.DateTimeFormat().resolvedOptions().timeZone;

export class CompanyService {
  constructor(
    private readonly models: Models,
    private readonly now: () => Date = () => new Date(),
  ) {}

  async get(companyId: string): Promise<Company> {
    const [row, members] = await Promise.all([this.row(companyId), this.members(companyId)]);
    return this.present(row, members);
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
    return this.present(row, await this.members(companyId));
  }

  /** The day at a lawn, which may lie in another time zone. */
  dayAt(company: Company, { property }: LawnBody): LocalDate {
    // A row from before a field was there has none.
    const { timeZone } = (property as Partial<LawnBody['property']> | undefined) ?? {};
    return workingDay(company, this.now(), timeZone ?? null).day;
  }

  private async row(companyId: string): Promise<CompanyRow> {
    const row = await this.models.companies.findOne({ where: { id: companyId } });
    if (!row) throw new HttpFailure('not-found', 'There is no such company.');
    return row;
  }

  private async members(companyId: string): Promise<Company['members']> {
    const users = await this.models.users.findAll({
      where: { companyId },
      attributes: ['id', 'name', 'licence'],
      order: [['name', 'ASC']],
    });
    return users.map((user) => ({ id: user.id, name: user.name, licence: user.licence }));
  }

  private present(row: CompanyRow, members: Company['members']): Company {
    const { id, name, demo, clock, policy, version } = row;
    const today = clock.kind === 'fixed' ? clock.date : dayIn(this.now(), SERVER_ZONE);
    return {
      id,
      name,
      demo,
      clock,
      // A row from before a setting was there gets its default.
      policy: policySchema.parse(policy),
      version,
      timeZone: SERVER_ZONE,
      members,
      today,
    };
  }
}
