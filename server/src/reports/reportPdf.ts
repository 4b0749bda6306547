import { createRequire } from 'node:module';
import { areaInterval, reportWords, sideName, type Point, type SharedReport } from '@alfombra/core';
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
 * @param photos bytes in the order of the report's photos; `null` where one has not arrived
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
    drawPlan(document, report, width);
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
  const shown = report.photos.flatMap((photo, index) => {
    const bytes = photos[index];
    return bytes ? [{ photo, bytes }] : [];
  });
  if (shown.length > 0) {
    // A heading never stands alone at the foot of a page.
    if (document.y + PHOTO_WIDTH > document.page.height - MARGIN) document.addPage();
    heading(t('photos'));
    for (const { photo, bytes } of shown) {
      if (document.y + PHOTO_WIDTH > document.page.height - MARGIN) document.addPage();
      const top = document.y;
      document.image(bytes, MARGIN, top, { fit: [PHOTO_WIDTH, PHOTO_WIDTH * 0.75] });
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

/** Zones to scale, north as the technician drew it; assumed edges dashed, damage numbered. */
function drawPlan(document: PDFKit.PDFDocument, { lawn }: SharedReport, width: number): void {
  const all = [...lawn.zones, ...lawn.features].flatMap(({ outline }) => outline);
  const [minX, minY] = [Math.min(...all.map(({ x }) => x)), Math.min(...all.map(({ y }) => y))];
  const [maxX, maxY] = [Math.max(...all.map(({ x }) => x)), Math.max(...all.map(({ y }) => y))];
  const scale = Math.min(width / Math.max(1, maxX - minX), PLAN_HEIGHT / Math.max(1, maxY - minY));
  const top = document.y;
  const at = ({ x, y }: Point): [number, number] => [
    MARGIN + (x - minX) * scale,
    top + (y - minY) * scale,
  ];
  for (const feature of lawn.features) {
    document.polygon(...feature.outline.map(at)).fillAndStroke('#E6DBC5', '#CFC0A2');
  }
  for (const zone of lawn.zones) {
    document.polygon(...zone.outline.map(at)).fill('#BFDCD2');
    zone.cutouts.forEach((cutout) => document.polygon(...cutout.map(at)).fill('#FBF8F1'));
    zone.outline.forEach((corner, index) => {
      const next = zone.outline[(index + 1) % zone.outline.length] as Point;
      const assumed = zone.edges[index] === 'assumed';
      document
        .moveTo(...at(corner))
        .lineTo(...at(next))
        .lineWidth(1.5);
      if (assumed) document.dash(5, { space: 4 });
      else document.undash();
      document.stroke(assumed ? INK.madder : INK.walnut);
    });
    document.undash();
    const centre = zone.outline.reduce((sum, { x, y }) => ({ x: sum.x + x, y: sum.y + y }), {
      x: 0,
      y: 0,
    });
    const [x, y] = at({ x: centre.x / zone.outline.length, y: centre.y / zone.outline.length });
    document
      .font('bold')
      .fontSize(10)
      .fillColor(INK.walnut)
      .text(zone.name, x - 40, y - 6, { width: 80, align: 'center' });
  }
  for (const patch of lawn.patches) {
    const [x, y] = at(patch.centre);
    document
      .circle(x, y, Math.max(6, (patch.widthFt / 2) * scale))
      .fillAndStroke('#D9A21B', INK.walnut);
    document
      .font('bold')
      .fontSize(9)
      .fillColor(INK.walnut)
      .text(String(patch.number), x - 8, y - 5, { width: 16, align: 'center' });
  }
  document.font('text').fontSize(11);
  document.x = MARGIN;
  document.y = top + (maxY - minY) * scale + 10;
}
