// Rules of this house beside ESLint's own: two things are not packed into one line to please a limit.

/** @typedef {import('eslint').Rule.RuleModule} RuleModule */

const BLOCKS = new Set(['BlockStatement', 'Program', 'StaticBlock', 'SwitchCase']);

/**
 * The pairs of a pattern and a list of the same length, without rest and spread.
 * @param {any} pattern @param {any} list @returns {{ target: any, value: any }[] | undefined}
 */
function pairsOf(pattern, list) {
  if (pattern?.type !== 'ArrayPattern' || list?.type !== 'ArrayExpression') return undefined;
  if (pattern.elements.length !== list.elements.length) return undefined;
  const plain = [...pattern.elements, ...list.elements].every(
    (one) => one !== null && one.type !== 'RestElement' && one.type !== 'SpreadElement',
  );
  if (!plain) return undefined;
  return pattern.elements.map((/** @type {any} */ target, /** @type {number} */ i) => ({
    target,
    value: list.elements[i],
  }));
}

/**
 * `const [a, b] = [x, y]` and `[a, b] = [x, y]` say two things in one line. Two values that change places stay.
 * @type {RuleModule}
 */
export const noTupleAssignment = {
  meta: {
    type: 'suggestion',
    fixable: 'code',
    schema: [],
    messages: { apart: 'Give each of these a line of its own.' },
  },
  create(context) {
    const source = context.sourceCode;
    /** @param {any} node */
    const hasComments = (node) => source.getCommentsInside(node).length > 0;
    return {
      VariableDeclaration(/** @type {any} */ node) {
        const [only, ...more] = node.declarations;
        const pairs = pairsOf(only.id, only.init);
        if (!pairs) return;
        const fixable =
          more.length === 0 && !only.id.typeAnnotation && BLOCKS.has(node.parent.type) && !hasComments(node);
        const lines = () =>
          pairs
            .map(({ target, value }) => `${node.kind} ${source.getText(target)} = ${source.getText(value)};`)
            .join('\n');
        context.report({
          node,
          messageId: 'apart',
          fix: fixable ? (fixer) => fixer.replaceText(node, lines()) : null,
        });
      },
      AssignmentExpression(/** @type {any} */ node) {
        const pairs = pairsOf(node.left, node.right);
        if (!pairs) return;
        const targets = pairs.map(({ target }) => source.getText(target));
        const values = pairs.map(({ value }) => source.getText(value));
        const readsTarget = values.some((value, i) =>
          targets.some((target, j) => j < i && value.includes(target)),
        );
        if (readsTarget) return;
        const statement = node.parent;
        const fixable =
          statement.type === 'ExpressionStatement' && BLOCKS.has(statement.parent.type) && !hasComments(node);
        context.report({
          node,
          messageId: 'apart',
          fix: fixable
            ? (fixer) =>
                fixer.replaceText(
                  statement,
                  targets.map((target, i) => `${target} = ${values[i] ?? ''};`).join('\n'),
                )
            : null,
        });
      },
    };
  },
};

/**
 * `...{ a, b }` in an object and `...['a', 'b']` in a list only put more on a line.
 * @type {RuleModule}
 */
export const noSpreadLiteral = {
  meta: {
    type: 'suggestion',
    fixable: 'code',
    schema: [],
    messages: { inline: 'Write what is inside here without a spread.' },
  },
  create(context) {
    const source = context.sourceCode;
    /** @param {any} node @param {any[]} inside */
    const report = (node, inside) => {
      const text = inside.map((one) => source.getText(one)).join(', ');
      const fixable = text !== '' && source.getCommentsInside(node).length === 0;
      context.report({
        node,
        messageId: 'inline',
        fix: fixable ? (fixer) => fixer.replaceText(node, text) : null,
      });
    };
    return {
      'ObjectExpression > SpreadElement'(/** @type {any} */ node) {
        if (node.argument.type === 'ObjectExpression') report(node, node.argument.properties);
      },
      'ArrayExpression > SpreadElement'(/** @type {any} */ node) {
        if (node.argument.type !== 'ArrayExpression') return;
        if (node.argument.elements.some((/** @type {any} */ one) => one === null)) return;
        report(node, node.argument.elements);
      },
    };
  },
};

export default {
  rules: { 'no-tuple-assignment': noTupleAssignment, 'no-spread-literal': noSpreadLiteral },
};
