const token = (name) => `var(--${name})`;

/** Colours by use; the dyes behind them stand in global.css, for light and dark. */
module.exports = {
  content: [__dirname + '/src/**/*.{ts,tsx}'],
  presets: [require('nativewind/preset')],
  // The dyes of light and dark stand in global.css; as 'media' the development page refuses to start.
  darkMode: 'class',
  theme: {
    colors: {
      transparent: 'transparent',
      ground: token('ground'),
      panel: token('panel'),
      raised: token('raised'),
      line: token('line'),
      thread: token('thread'),
      edge: token('edge'),
      ink: token('ink'),
      second: token('second'),
      quiet: token('quiet'),
      main: token('main'),
      'on-main': token('on-main'),
      good: token('good'),
      'good-tint': token('good-tint'),
      stop: token('stop'),
      'stop-tint': token('stop-tint'),
      caution: token('caution'),
      'caution-tint': token('caution-tint'),
      cool: token('cool'),
      'cool-tint': token('cool-tint'),
      weld: '#D9A21B',
      madder: '#8E2F22',
      sheet: '#241C15',
      'sheet-line': '#4A3D31',
      'on-sheet': '#FBF8F1',
      'on-sheet-quiet': '#CFC0A2',
      black: '#241C15',
      white: '#FFFFFF',
    },
    fontFamily: {
      display: ['BricolageGrotesque_700Bold'],
      'display-semi': ['BricolageGrotesque_600SemiBold'],
      body: ['AtkinsonHyperlegibleNext_400Regular'],
      'body-semi': ['AtkinsonHyperlegibleNext_600SemiBold'],
      'body-bold': ['AtkinsonHyperlegibleNext_700Bold'],
    },
    extend: {
      fontSize: {
        // In rem: a reader's own text size counts.
        note: ['0.875rem', '1.1875rem'],
        body: ['1rem', '1.375rem'],
        lead: ['1.125rem', '1.5rem'],
        title: ['1.5rem', '1.6875rem'],
        figure: ['2.5rem', '2.75rem'],
        pour: ['3.75rem', '3.875rem'],
        // Five places share the width of a phone.
        place: ['min(0.875rem, 4.6vw)', '1.25'],
      },
    },
  },
};
