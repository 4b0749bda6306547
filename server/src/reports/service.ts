import {
  answerChoices,
  applyAnswers,
  daysBetween,
  lawnBodySchema,
  reportBodySchema,
  sharedReportSchema,
  type FactChange,
  type LawnBody,
  type ReportAnswers,
  type ReportBody,
  type SharedReport,
  type VisitBody,
  type VisitReport,
} from '@alfombra/core';
import type { CompanyService } from '../companies/service';
import type { LawnDocumentOptions } from '../documents/lawnDocumentRoutes';
import { plainDocument, type DocumentStore, type Stored } from '../documents/store';
import { HttpFailure } from '../http/failure';
import type { Models } from '../models';
import type { PhotoService } from '../photos/service';
import type { LinkTokens } from './linkTokens';
import type { ReportLinkRow, ReportSnapshot } from './model';

/** Longest that a link may stay open, days. */
const MOST_DAYS_OPEN = 400;

export class ReportService {
  constructor(
    private readonly models: Models,
    readonly store: DocumentStore<ReportBody>,
    private readonly lawns: DocumentStore<LawnBody>,
    private readonly visits: DocumentStore<VisitBody>,
    private readonly photos: PhotoService,
    private readonly companies: CompanyService,
    private readonly tokens: LinkTokens,
  ) {}

  resource(): LawnDocumentOptions<ReportBody> {
    return {
      store: this.store,
      lawns: this.lawns,
      schema: reportBodySchema,
      check: async ({ companyId }, _id, { expiresOn }) => {
        const { today } = await this.companies.get(companyId);
        if (daysBetween(today, expiresOn) > MOST_DAYS_OPEN) {
          throw new HttpFailure(
            'bad-input',
            `a link stays open for ${MOST_DAYS_OPEN} days at most`,
            ['expiresOn'],
          );
        }
      },
      present: ({ companyId }, _lawnId, list) => this.present(companyId, list),
    };
  }

  /** Reports with their links; a revoked one has none, and a new one if it is opened again. */
  async present(companyId: string, list: readonly Stored<ReportBody>[]): Promise<VisitReport[]> {
    const rows = await this.models.reportLinks.findAll({
      where: { reportId: list.map(({ id }) => id) },
      attributes: ['reportId', 'nonce', 'shownVersion'],
    });
    const links = new Map(rows.map((row) => [row.reportId, row]));
    const presented: VisitReport[] = [];
    for (const stored of list) {
      const nonce = await this.linked(companyId, stored, links.get(stored.id));
      const path = nonce === null ? '' : `/report/${this.tokens.token(stored.id, nonce)}`;
      presented.push({ ...plainDocument(stored), path });
    }
    return presented;
  }

  /**
   * Sees to it that an open report has a link to what it showed on its day, and a revoked one none.
   * @returns what its token is made from
   */
  private async linked(
    companyId: string,
    { id, version, body }: Stored<ReportBody>,
    row: Pick<ReportLinkRow, 'nonce' | 'shownVersion'> | undefined,
  ): Promise<string | null> {
    if (body.revokedOn) {
      if (row) await this.models.reportLinks.destroy({ where: { reportId: id } });
      return null;
    }
    if (row?.shownVersion === version) return row.nonce;
    const nonce = row?.nonce ?? this.tokens.newNonce();
    await this.models.reportLinks.upsert({
      reportId: id,
      companyId,
      nonce,
      tokenHash: this.tokens.hash(this.tokens.token(id, nonce)),
      shown: await this.snapshot(companyId, body),
      shownVersion: version,
    });
    return nonce;
  }

  private async snapshot(companyId: string, report: ReportBody): Promise<ReportSnapshot> {
    const [company, stored, visit] = await Promise.all([
      this.companies.get(companyId),
      this.lawns.get(companyId, report.lawnId),
      report.visitId ? this.visits.get(companyId, report.visitId).catch(() => null) : null,
    ]);
    const lawn = lawnBodySchema.parse(stored.body);
    return {
      company: company.name,
      technician: visit?.body.technician ?? null,
      // The schema leaves out what the page does not show.
      lawn: sharedReportSchema.shape.lawn.parse(lawn),
      questions: lawn.questions.filter(({ id }) => report.questionIds.includes(id)),
    };
  }

  /** @throws HttpFailure `not-found` for a link that was never given, was revoked or has expired */
  private async open(token: string) {
    const gone = new HttpFailure('not-found', 'This link is not valid any more.');
    const link = await this.models.reportLinks.findOne({
      where: { tokenHash: this.tokens.hash(token) },
    });
    if (!link) throw gone;
    const company = await this.companies.get(link.companyId);
    const report = await this.store.get(link.companyId, link.reportId);
    if (report.body.revokedOn || report.body.expiresOn < company.today) throw gone;
    const lawn = await this.lawns.get(link.companyId, report.body.lawnId);
    return {
      company,
      report: report.body,
      shown: link.shown,
      lawn: { ...lawn, body: lawnBodySchema.parse(lawn.body) },
    };
  }

  /** The report as it was written; only what the customer has answered since is of today. */
  async shared(token: string): Promise<SharedReport> {
    const { company, report, shown, lawn } = await this.open(token);
    const photos = (await this.photos.store.list(company.id, lawn.id)).filter(({ id }) =>
      report.photoIds.includes(id),
    );
    const now = new Map(lawn.body.questions.map((question) => [question.id, question]));
    return {
      ...shown,
      questions: shown.questions.map((question) => now.get(question.id) ?? question),
      language: report.language,
      date: report.date,
      expiresOn: report.expiresOn,
      findings: report.findings,
      assumptions: report.assumptions,
      note: report.note ?? '',
      promised: report.promised ?? '',
      photos: photos.map(({ id, body: { note, date, standIn, at } }) => ({
        id,
        note,
        date,
        standIn,
        at,
      })),
    };
  }

  /** A photo of the report, for the holder of its link. */
  async photo(token: string, photoId: string): Promise<{ type: string; bytes: Buffer }> {
    const { company, report } = await this.open(token);
    if (!report.photoIds.includes(photoId)) {
      throw new HttpFailure('not-found', 'There is no such photo in this report.');
    }
    return this.photos.bytes(company.id, photoId);
  }

  /**
   * Takes the customer's answers into the lawn.
   * @throws HttpFailure `bad-input` at a question that is not in the report, is answered already, or
   * has no such choice
   */
  async answer(token: string, { answers }: ReportAnswers): Promise<{ changes: FactChange[] }> {
    const { company, report, lawn } = await this.open(token);
    answers.forEach(({ questionId, value }, index) => {
      const question = report.questionIds.includes(questionId)
        ? lawn.body.questions.find(({ id }) => id === questionId)
        : undefined;
      const at = ['answers', index];
      if (!question) throw new HttpFailure('bad-input', 'this report does not ask that', at);
      if (question.answer) throw new HttpFailure('bad-input', 'this was answered already', at);
      const choices = answerChoices(question.subject);
      if (choices.length > 0 && !choices.includes(value)) {
        throw new HttpFailure('bad-input', `choose one of: ${choices.join(', ')}`, [
          ...at,
          'value',
        ]);
      }
    });
    const { lawn: body, changes } = applyAnswers(
      lawn.body,
      answers.map(({ questionId, value, note }) => ({
        questionId,
        answer: { value, note, answeredOn: company.today },
      })),
    );
    await this.lawns.put(company.id, lawn.id, lawn.version, body);
    return { changes };
  }
}
