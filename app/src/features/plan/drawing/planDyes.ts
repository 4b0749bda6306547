/**
 * The dyes of the plan for light, dark and sun-bright: turf in mown stripes, ground, edges, what was noted. They
 * come with the first plan that is drawn; the door does without them.
 */
const DYES = `
:root {
  --plan-turf-lit: #2f7f6d;
  --plan-stripe-lit: #1f5b4e;
  --plan-turf-pale: #bfdcd2;
  --plan-stripe-pale: #a9cfc2;
  --plan-grid: var(--line);
  --plan-house: #ffffff;
  --plan-hard: #e6dbc5;
  --plan-bed: #dccbb6;
  --plan-water: #cbd8ea;
  --plan-edge: #45382b;
  --plan-assumed: #b9472f;
  --plan-asked: #8e2f22;
  --plan-weed: #8e2f22;
  --plan-damage: #d9a21b;
  --plan-damage-pale: #f6e4b4;
  --plan-ring: #ffffff;
  --plan-line: #22406b;
  --plan-wet: #22406b;
  --plan-dry: #8a5f00;
  --plan-warn: #8e2f22;
  --plan-disc: #fbf8f1;
  --plan-handle: #fbf8f1;
  --plan-handle-ink: #241c15;
  --plan-on-turf: #ffffff;
  --plan-on-pale: #1f3b33;
  --plan-on-damage: #241c15;
}
@media (prefers-color-scheme: dark) {
:root {
  --plan-turf-pale: #365a51;
  --plan-stripe-pale: #2d4d45;
  --plan-house: #4d4033;
  --plan-hard: #3b3027;
  --plan-bed: #4a3a2b;
  --plan-water: #2a3a52;
  --plan-edge: #e6dbc5;
  --plan-assumed: #f0957f;
  --plan-weed: #f0957f;
  --plan-damage-pale: #7a6322;
  --plan-ring: #241c15;
  --plan-line: #8fb0da;
  --plan-on-pale: #fbf8f1;
}
}
:root[data-light='sun'] {
  --plan-turf-lit: #dcefe7;
  --plan-stripe-lit: #c6e2d7;
  --plan-turf-pale: #ffffff;
  --plan-stripe-pale: #f1f7f4;
  --plan-grid: #d4d4d4;
  --plan-house: #ffffff;
  --plan-hard: #ededed;
  --plan-bed: #e4e4e4;
  --plan-water: #e4ecf7;
  --plan-edge: #000000;
  --plan-assumed: #8e2f22;
  --plan-weed: #6d1c11;
  --plan-damage: #ffd35c;
  --plan-damage-pale: #fff3cf;
  --plan-ring: #000000;
  --plan-disc: #ffffff;
  --plan-handle: #ffffff;
  --plan-line: #14294a;
  --plan-on-turf: #000000;
  --plan-on-pale: #000000;
}
`;

// A sheet of its own, which the page's policy lets in; a test's page has none.
if (typeof CSSStyleSheet !== 'undefined' && 'replaceSync' in CSSStyleSheet.prototype) {
  const sheet = new CSSStyleSheet();
  sheet.replaceSync(DYES);
  document.adoptedStyleSheets = [...document.adoptedStyleSheets, sheet];
}
