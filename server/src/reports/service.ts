import { randomBytes } from 'node:crypto';
import {
  answerChoices,
  applyAnswers,
  lawnBodySchema,
  reportBodySchema,
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
import type { DocumentStore, Stored } from '../documents/store';
import { HttpFailure } from '../http/failure';
import type { Models } from '../models';
import type { PhotoService } from '../photos/service';

/** 32 random bytes: 256 bits nobody guesses. */
const TOKEN_BYTES = 32;

export class ReportService {
  constructor(
    private readonly models: Models,
    readonly store: DocumentStore<ReportBody>,
    private readonly lawns: DocumentStore<LawnBody>,
    private readonly visits: DocumentStore<VisitBody>,
    private readonly photos: PhotoService,
    private readonly companies: CompanyService,
  ) {}

  resource(): LawnDocumentOptions<ReportBody> {
    return {
      store: this.store,
      lawns: this.lawns,
      schema: reportBodySchema,
      present: ({ companyId }, stored) => this.present(companyId, stored),
    };
  }

  async present(
    companyId: string,
    { id, version, body }: Stored<ReportBody>,
  ): Promise<VisitReport> {
    return { ...body, id, version, path: `/report/${await this.tokenOf(companyId, id)}` };
  }

  /** The link's token, made when the report first leaves the server. */
  private async tokenOf(companyId: string, reportId: string): Promise<string> {
    const [row] = await this.models.reportLinks.findOrCreate({
      where: { reportId },
      defaults: { token: randomBytes(TOKEN_BYTES).toString('base64url'), reportId, companyId },
    });
    return row.token;
  }

  /** @throws HttpFailure `not-found` for a link that was never given, was revoked or has expired */
  private async open(token: string) {
    const gone = new HttpFailure('not-found', 'This link is not valid any more.');
    const link = await this.models.reportLinks.findOne({ where: { token } });
    if (!link) throw gone;
    const company = await this.companies.get(link.companyId);
    const report = await this.store.get(link.companyId, link.reportId);
    if (report.body.revokedOn || report.body.expiresOn < company.today) throw gone;
    const lawn = await this.lawns.get(link.companyId, report.body.lawnId);
    return {
      company,
      report: report.body,
      lawn: { ...lawn, body: lawnBodySchema.parse(lawn.body) },
    };
  }

  async shared(token: string): Promise<SharedReport> {
    const { company, report, lawn } = await this.open(token);
    const visit = report.visitId
      ? await this.visits.get(company.id, report.visitId).catch(() => null)
      : null;
    const { name, zones, features, patches, pins, lines, weedPatches, northDeg, questions } =
      lawn.body;
    const photos = (await this.photos.store.list(company.id, lawn.id)).filter(({ id }) =>
      report.photoIds.includes(id),
    );
    return {
      company: company.name,
      language: report.language,
      date: report.date,
      expiresOn: report.expiresOn,
      technician: visit?.body.technician ?? null,
      lawn: { name, zones, features, patches, pins, lines, weedPatches, northDeg },
      findings: report.findings,
      assumptions: report.assumptions,
      note: report.note ?? '',
      promised: report.promised ?? '',
      questions: questions.filter(({ id }) => report.questionIds.includes(id)),
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
