/**
 * One ruler of slacks: what lengths, areas, volumes and angles are compared with stands in `core/src/geom/tolerance.ts`
 * by unit and purpose. Finds a slack beside it: a named length up to a millimetre, any small constant of a module, and a
 * bare share that something is compared with.
 */
const COMPARED = new Set(['<', '<=', '>', '>=']);

const number = (node) => (typeof node?.value === 'number' ? node.value : 0);
const within = (value, most) => value > 0 && value <= most;

const isSlack = (name, value) =>
  (/_(MM|MM2|MM3|SINE)$/u.test(name) && within(value, 1)) ||
  (/_(ALONG|NEAR|SAME)|^(ALONG|NEAR|SAME)/u.test(name) && within(value, 0.1));

const ofTheModule = (declarator) => {
  const around = declarator.parent.parent;
  return around.type === 'Program' || around.type === 'ExportNamedDeclaration';
};

const rule = {
  create: (context) => ({
    VariableDeclarator: (node) => {
      const value = number(node.init);
      if (isSlack(node.id.name ?? '', value) || (ofTheModule(node) && value > 0 && value < 0.01))
        context.report({ node, message: 'A slack is a mark of the ruler in geom/tolerance.ts.' });
    },
    BinaryExpression: (node) => {
      if (!COMPARED.has(node.operator)) return;
      for (const side of [node.left, node.right])
        if (number(side) > 0 && number(side) < 1)
          context.report({
            node: side,
            message: 'What is compared with is named: a slack by the ruler in geom/tolerance.ts.',
          });
    },
  }),
};

export default { meta: { name: 'ogee' }, rules: { 'one-ruler': rule } };
