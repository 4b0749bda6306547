import { createRequire } from 'node:module';
import { areaInterval, reportWords, sideName, type Point, type SharedReport } from '@alfombra/core';
import {
  fitPlan,
  pinGlyph,
  planShapes,
  type PlanRole,
  type PlanShape,
  type PlanWords,
} from '@alfombra/core/drawing';
import i18next from 'i18next';
import PDFDocument from 'pdfkit';

const find = createRequire(import.meta.url).resolve;
const FONTS = {
  text: find(
    '@expo-google-fonts/atkinson-hyperlegible-next/400Regular/AtkinsonHyperlegibleNext_400Regular.ttf',
  ),
  bold: find(
    '@expo-google-fonts/atkinson-hyperlegible-next/700Bold/AtkinsonHyperlegibleNext_700Bold.ttf',
  ),
  heading: find('@expo-google-fonts/bricolage-grotesque/700Bold/BricolageGrotesque_700Bold.ttf'),
};
const INK = {
  walnut: '#241C15',
  quiet: '#58493A',
  verdigris: '#1F5B4E',
  madder: '#8E2F22',
  weld: '#8A5F00',
};
const MARGIN = 48;
const PLAN_HEIGHT = 230;
const PLAN_MARGIN = 16;
const PHOTO_WIDTH = 160;

const words = i18next.createInstance();
void words.init({
  resources: { en: { translation: reportWords.en }, es: { translation: reportWords.es } },
  fallbackLng: 'en',
  interpolation: { escapeValue: false },
  initAsync: false,
});

/**
 * The report as a printable document on US letter paper.
 * @param photos JPEGs in the order of the report's photos; `null` where one has not arrived or is none
 */
export function reportPdf(
  report: SharedReport,
  photos: readonly (Buffer | null)[],
): PDFKit.PDFDocument {
  const t = words.getFixedT(report.language);
  // On US letter paper numbers are written as in the United States, in Spanish, too.
  const locale = `${report.language}-US`;
  const day = (date: string) =>
    new Intl.DateTimeFormat(locale, { dateStyle: 'long', timeZone: 'UTC' }).format(
      new Date(`${date}T12:00:00Z`),
    );
  const number = (value: number) =>
    new Intl.NumberFormat(locale, { maximumFractionDigits: 0 }).format(value);
  const document = new PDFDocument({ size: 'LETTER', margin: MARGIN, lang: report.language });
  Object.entries(FONTS).forEach(([name, file]) => document.registerFont(name, file));
  const width = document.page.width - 2 * MARGIN;
  const heading = (text: string) => {
    document.moveDown(0.8).font('heading').fontSize(15).fillColor(INK.walnut).text(text);
    document.moveDown(0.2).font('text').fontSize(11);
  };
  document.font('heading').fontSize(22).fillColor(INK.walnut).text(t('title'));
  document.font('text').fontSize(11).fillColor(INK.quiet);
  document.text(t('of', { lawn: report.lawn.name, date: day(report.date) }));
  document.text(
    [report.company, report.technician ? t('by', { technician: report.technician }) : null]
      .filter(Boolean)
      .join(' · '),
  );
  if (report.lawn.zones.length > 0) {
    heading(t('plan'));
    drawPlan(document, report, width, {
      area: (ft2) => `${number(ft2)} ft²`,
      feature: (kind) => t(`feature.${kind}`),
      length: (ft) => `${number(ft)} ft`,
    });
    document.fillColor(INK.walnut);
    for (const zone of report.lawn.zones) {
      const { areaFt2, low, high } = areaInterval(zone);
      document.text(
        t('area', { zone: zone.name, area: number(areaFt2), low: number(low), high: number(high) }),
      );
    }
    document.fillColor(INK.quiet).text(t('planAssumed'));
  }
  heading(t('findings'));
  if (report.findings.length === 0) document.fillColor(INK.quiet).text(t('noFindings'));
  for (const { grade, words: text } of report.findings) {
    const ink = { good: INK.verdigris, easy: INK.verdigris, hard: INK.weld, suppress: INK.madder }[
      grade
    ];
    document
      .font('bold')
      .fillColor(ink)
      .text(`${t(`grade.${grade}`)}: `, { continued: true });
    document.font('text').fillColor(INK.walnut).text(text);
  }
  for (const [title, text] of [
    ['inOurWords', report.note],
    ['promised', report.promised],
  ] as const) {
    if (text === '') continue;
    heading(t(title));
    document.fillColor(INK.walnut).text(text);
  }
  if (report.assumptions.length > 0) {
    heading(t('assumptions'));
    document.fillColor(INK.quiet).text(t('assumptionsLead')).fillColor(INK.walnut);
    report.assumptions.forEach((text) => document.text(`– ${text}`));
  }
  if (report.questions.length > 0) {
    heading(t('questions'));
    document.fillColor(INK.walnut);
    for (const { subject, answer } of report.questions) {
      const zone =
        'zoneId' in subject ? report.lawn.zones.find(({ id }) => id === subject.zoneId) : undefined;
      document.font('bold').text(
        t(`question.${subject.kind}`, {
          zone: zone?.name ?? '',
          side: subject.kind === 'edge' ? sideName(subject.edge, zone?.outline.length ?? 4) : '',
          text: subject.kind === 'other' ? subject.text : '',
        }),
      );
      document
        .font('text')
        .text(
          answer
            ? t('answered', { answer: t(`choice.${answer.value}`, { defaultValue: answer.value }) })
            : '______________________________',
        );
    }
  }
  if (report.photos.length > 0) {
    // A heading never stands alone at the foot of a page.
    if (document.y + PHOTO_WIDTH > document.page.height - MARGIN) document.addPage();
    heading(t('photos'));
    for (const [index, photo] of report.photos.entries()) {
      const bytes = photos[index];
      if (document.y + PHOTO_WIDTH > document.page.height - MARGIN) document.addPage();
      const top = document.y;
      if (bytes) document.image(bytes, MARGIN, top, { fit: [PHOTO_WIDTH, PHOTO_WIDTH * 0.75] });
      else {
        document
          .rect(MARGIN, top, PHOTO_WIDTH, PHOTO_WIDTH * 0.75)
          .strokeColor(INK.quiet)
          .stroke()
          .fillColor(INK.quiet)
          .text(t('noPhoto'), MARGIN + 8, top + 8, { width: PHOTO_WIDTH - 16 });
      }
      document
        .fillColor(INK.walnut)
        .text(
          [photo.note, photo.standIn ? t('standIn') : null].filter(Boolean).join(' · ') ||
            day(photo.date),
          MARGIN + PHOTO_WIDTH + 12,
          top,
          { width: width - PHOTO_WIDTH - 12 },
        );
      document.x = MARGIN;
      document.y = Math.max(document.y, top + PHOTO_WIDTH * 0.75 + 8);
    }
  }
  document.moveDown().font('text').fontSize(10).fillColor(INK.quiet).text(t('caution'), MARGIN);
  document.end();
  return document;
}

/** Paper and its inks. */
const PAPER: Readonly<
  Record<PlanRole, { fill?: string; stroke?: string; width?: number; dash?: [number, number] }>
> = {
  turf: { fill: '#BFDCD2' },
  'turf-beside': { fill: '#DDEBE6' },
  house: { fill: '#FFFFFF', stroke: INK.walnut, width: 1.2 },
  hard: { fill: '#E6DBC5' },
  bed: { fill: '#DCCBB6' },
  water: { fill: '#CBD8EA' },
  edge: { stroke: INK.walnut, width: 1.2 },
  'edge-assumed': { stroke: INK.madder, width: 1.5, dash: [5, 4] },
  'edge-asked': { stroke: INK.madder, width: 4 },
  weed: { fill: '#E8C4BB', stroke: INK.madder, width: 1.2 },
  damage: { fill: '#D9A21B', stroke: INK.walnut, width: 1 },
  'damage-beside': { fill: '#F6E4B4', stroke: INK.walnut, width: 1 },
  'line-hard': { stroke: INK.quiet, width: 3 },
  'line-traffic': { stroke: INK.madder, width: 2, dash: [1, 4] },
  'line-mow': { stroke: '#22406B', width: 2, dash: [8, 4] },
  'line-fence': { stroke: INK.quiet, width: 2, dash: [1, 3] },
  sheet: { stroke: INK.walnut, width: 1.2 },
};
const PIN_INK = { wet: '#22406B', dry: INK.weld, mark: INK.quiet, warn: INK.madder } as const;
const PIN_SCALE = 0.6;

/** The plan as it is drawn on every screen, laid out by the same hand. */
function drawPlan(
  document: PDFKit.PDFDocument,
  { lawn, questions }: SharedReport,
  width: number,
  words: PlanWords,
): void {
  const top = document.y;
  const fitted = fitPlan(lawn, { width, height: PLAN_HEIGHT, margin: PLAN_MARGIN });
  const asked = questions.flatMap(({ subject }) =>
    subject.kind === 'edge' ? [{ zoneId: subject.zoneId, edge: subject.edge }] : [],
  );
  document.save().translate(MARGIN, top);
  planShapes(lawn, fitted, words, { asked }).forEach((shape) => drawShape(document, shape));
  document.restore();
  document.font('text').fontSize(11);
  document.x = MARGIN;
  document.y = top + PLAN_HEIGHT + 6;
}

function paint(document: PDFKit.PDFDocument, role: PlanRole): void {
  const { fill, stroke, width, dash } = PAPER[role];
  if (width) document.lineWidth(width);
  if (dash) document.dash(dash[0], { space: dash[1] });
  if (fill && stroke) document.fillAndStroke(fill, stroke, 'even-odd');
  else if (fill) document.fill(fill, 'even-odd');
  else if (stroke) document.stroke(stroke);
  document.undash();
}

const pathOf = (points: readonly Point[], closed: boolean): string =>
  points.map(({ x, y }, index) => `${index === 0 ? 'M' : 'L'}${x} ${y}`).join('') +
  (closed ? 'Z' : '');

function write(
  document: PDFKit.PDFDocument,
  text: string,
  { x, y }: Point,
  { bold, size, ink }: { bold: boolean; size: number; ink: string },
): void {
  document
    .font(bold ? 'bold' : 'text')
    .fontSize(size)
    .fillColor(ink)
    // The plan's texts stand on their baseline.
    .text(text, x - 60, y - size, { width: 120, align: 'center', lineBreak: false });
}

function drawShape(document: PDFKit.PDFDocument, shape: PlanShape): void {
  switch (shape.kind) {
    case 'field':
      document.path(shape.outlines.map((outline) => pathOf(outline, true)).join(''));
      return paint(document, shape.role);
    case 'run':
      document.path(pathOf(shape.points, false));
      return paint(document, shape.role);
    case 'ellipse':
      document.ellipse(shape.centre.x, shape.centre.y, shape.rx, shape.ry);
      return paint(document, shape.role);
    case 'pin': {
      const { ink, path, filled } = pinGlyph(shape.pin);
      document.save().translate(shape.at.x, shape.at.y).scale(PIN_SCALE);
      document.circle(0, 0, 14).lineWidth(2.5).fillAndStroke('#FBF8F1', PIN_INK[ink]);
      document.path(path);
      if (filled) document.fill(PIN_INK[ink]);
      else document.lineWidth(2).stroke(PIN_INK[ink]);
      document.restore();
      return;
    }
    case 'badge':
      document.circle(shape.at.x, shape.at.y, 8).fill(INK.madder);
      return write(
        document,
        shape.text,
        { x: shape.at.x, y: shape.at.y + 4 },
        { bold: true, size: 10, ink: '#FFFFFF' },
      );
    case 'text':
      return write(document, shape.text, shape.at, {
        bold: shape.bold,
        size: 10,
        ink: INK.walnut,
      });
    case 'scale': {
      const { x, y } = shape.from;
      document.path(`M${x} ${y - 5}V${y}H${x + shape.length}V${y - 5}`);
      paint(document, 'sheet');
      document
        .font('text')
        .fontSize(9)
        .fillColor(INK.walnut)
        .text(shape.text, x + 4, y - 13, { lineBreak: false });
      return;
    }
    case 'north':
      document.save().translate(shape.at.x, shape.at.y).rotate(shape.degrees);
      document.path('M0 14V-10');
      paint(document, 'sheet');
      document.path('M0-15L5-5H-5Z').fill(INK.walnut);
      write(document, 'N', { x: 0, y: 25 }, { bold: true, size: 9, ink: INK.walnut });
      document.restore();
  }
}
