/**
 * The router sorts its few routes, all of them of plain letters, by the rules of a language: to make those ready takes longer than
 * all the rest of what it does to begin.
 */
const byCode = ({ types: t }) => ({
  visitor: {
    CallExpression(path) {
      const { callee, arguments: compared } = path.node;
      if (!t.isMemberExpression(callee) || !t.isIdentifier(callee.property, { name: 'localeCompare' }))
        return;
      const pair = () => [t.cloneNode(callee.object), t.cloneNode(compared[0])];
      const isMore = t.callExpression(t.identifier('Number'), [t.binaryExpression('>', ...pair())]);
      path.replaceWith(
        t.conditionalExpression(t.binaryExpression('<', ...pair()), t.numericLiteral(-1), isMore),
      );
    },
  },
});

module.exports = (api) => {
  api.cache(true);
  return {
    presets: ['babel-preset-expo'],
    plugins: ['preval'],
    overrides: [
      { test: /expo-router[\\/]build[\\/]fork[\\/]getStateFromPath-forks\.js$/, plugins: [byCode] },
    ],
    env: { production: { plugins: ['react-native-paper/babel'] } },
  };
};
