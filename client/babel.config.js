/** What the page about the job file says of each kind is for readers of that page: no phone carries it. */
function withoutNotes() {
  const KINDS = /core[\\/]src[\\/]job[\\/]kinds[\\/]/;
  return {
    visitor: {
      ObjectProperty(path, state) {
        const { key, value } = path.node;
        if (!KINDS.test(state.filename ?? '')) return;
        if (key.name === 'notes' && value.type === 'ObjectExpression') path.remove();
        if (key.name === 'about' && value.type === 'StringLiteral') path.remove();
      },
    },
  };
}

module.exports = function (api) {
  api.cache(true);
  return { presets: [['babel-preset-expo', { reanimated: false, worklets: false }]], plugins: [withoutNotes] };
};
