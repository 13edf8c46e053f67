import { RuleTester } from 'eslint';
import { afterAll, describe, it } from 'vitest';
import { noSpreadLiteral, noTupleAssignment } from './one-thing-a-line.mjs';

Object.assign(RuleTester, { afterAll, describe, it });
const rules = new RuleTester({ languageOptions: { ecmaVersion: 2024, sourceType: 'module' } });
const apart = [{ messageId: 'apart' }];
const inline = [{ messageId: 'inline' }];

rules.run('no-tuple-assignment', noTupleAssignment, {
  valid: [
    'const [first, second] = pair();',
    'let a = 1; let b = 2; [a, b] = [b, a];',
    'const [first, ...rest] = [1, 2, 3];',
    'const [first] = [...others];',
  ],
  invalid: [
    { code: 'const [a, b] = [1, f(2)];', output: 'const a = 1;\nconst b = f(2);', errors: apart },
    { code: 'let a, b; [a, b] = [1, 2];', output: 'let a, b; a = 1;\nb = 2;', errors: apart },
    { code: 'let a, b; while (f()) [a, b] = [1, 2];', output: null, errors: apart },
    { code: 'export const [a, b] = [1, 2];', output: null, errors: apart },
    { code: 'for (let [a, b] = [1, 2]; a < b; a++) f(a);', output: null, errors: apart },
    { code: 'const [a, b] = [1, /* why */ 2];', output: null, errors: apart },
  ],
});

rules.run('no-spread-literal', noSpreadLiteral, {
  valid: ['f({ ...rest, a });', 'f([...rest, 1]);', 'f({ ...(a ? { b } : {}) });', 'f(...[1, 2]);'],
  invalid: [
    { code: 'f({ ...{ a, b: 2 }, c });', output: 'f({ a, b: 2, c });', errors: inline },
    { code: "f(['x', ...['a', 'b']]);", output: "f(['x', 'a', 'b']);", errors: inline },
    { code: 'f({ ...{}, c });', output: null, errors: inline },
    { code: 'f({ ...{ /* why */ a }, c });', output: null, errors: inline },
  ],
});
