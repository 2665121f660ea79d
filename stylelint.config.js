/** Colours and sizes of type have one home, `web/ui/theme`; everywhere else they are said by their names. */
const ofTheTheme = {
  'color-no-hex': true,
  'color-named': 'never',
  'function-disallowed-list': [/^(rgb|hsl|hwb|lab|lch|oklab|oklch|color)a?$/],
  // A height of line, after the slash, may be said in pixels.
  'declaration-property-value-disallowed-list': { '/^font(-size)?$/': [/^[^/]*\d(px|pt|em|rem|%)/] },
};

export default {
  customSyntax: 'postcss-html',
  rules: {
    'block-no-empty': true,
    'declaration-block-no-duplicate-properties': true,
    'declaration-block-no-shorthand-property-overrides': true,
    'no-duplicate-selectors': true,
    'property-no-unknown': true,
    'unit-no-unknown': true,
    'selector-type-no-unknown': true,
  },
  overrides: [
    { files: ['web/**/*.css'], customSyntax: 'postcss' },
    { files: ['web/**'], rules: ofTheTheme },
    {
      files: ['web/ui/theme/**'],
      rules: Object.fromEntries(Object.keys(ofTheTheme).map((rule) => [rule, null])),
    },
  ],
};
