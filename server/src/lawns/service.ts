import {
  lawnBodySchema,
  type Company,
  type Lawn,
  type LawnBody,
  type LawnRevision,
  type SeasonProgress,
  type WeatherBundle,
} from '@alfombra/core';
import type { DocumentStore, Stored } from '../documents/store';
import type { Packed } from '../http/packed';
import { HttpFailure } from '../http/failure';
import type { WeatherService } from '../weather/service';
import type { PlanMemory } from './planMemory';
import type { SeasonKeeper } from './seasonKeeper';

/** A lawn as it leaves the server; what older rows lack gets its default. */
export const presentLawn = ({ id, version, body }: Stored<LawnBody>): Lawn => ({
  ...lawnBodySchema.parse(body),
  id,
  version,
});

export class LawnService {
  constructor(
    readonly lawns: DocumentStore<LawnBody>,
    private readonly weather: WeatherService,
    private readonly seasons: SeasonKeeper,
    private readonly memory: PlanMemory,
  ) {}

  /** Stations that a company's lawns lie at. */
  stations(companyId: string): Promise<string[]> {
    return this.seasons.stations(companyId);
  }

  /** How far the company's seasons are worked out; all of none when nothing is under way. */
  progressOf(companyId: string): SeasonProgress {
    return this.seasons.progressOf(companyId);
  }

  /** Every lawn's `LawnSummary` with what is due, ready to be sent. */
  summarize(company: Company): Promise<Packed> {
    return this.seasons.list(company);
  }

  /** What moved in the lawn's plan, the newest first. @throws HttpFailure `not-found` */
  async revisionsOf(company: Company, lawnId: string): Promise<LawnRevision[]> {
    await this.lawns.get(company.id, lawnId);
    // What was written since its season was worked out is worked out first.
    await this.seasons.list(company);
    return this.memory.revisions(company.id, lawnId);
  }

  /** The lawn's weather on the company's day. */
  async weatherOf(company: Company, lawnId: string): Promise<WeatherBundle> {
    const { body } = await this.lawns.get(company.id, lawnId);
    return this.weather.bundle(company.id, body.stationId, company.today);
  }

  /** @throws HttpFailure `bad-input` when a patch lies in a zone that the lawn does not have */
  async put(
    companyId: string,
    id: string,
    version: number,
    body: LawnBody,
    writeId?: string,
  ): Promise<Lawn> {
    if (!this.weather.has(body.stationId)) {
      throw new HttpFailure('bad-input', 'there is no such weather station', ['stationId']);
    }
    const zones = new Set(body.zones.map((zone) => zone.id));
    for (const list of ['patches', 'weedPatches'] as const) {
      body[list].forEach((patch, index) => {
        if (!zones.has(patch.zoneId)) {
          throw new HttpFailure(
            'bad-input',
            'the patch lies in a zone that this lawn does not have',
            [list, index, 'zoneId'],
          );
        }
      });
    }
    return presentLawn(await this.lawns.put(companyId, id, version, body, { writeId }));
  }
}
