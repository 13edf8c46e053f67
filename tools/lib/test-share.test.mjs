import { expect, it } from 'vitest';
import { isTest, linesOfCode } from './test-share.mjs';

it('blank lines and lines of a comment alone are no code', () => {
  const text = [
    '// why',
    'const a = 1; // said beside it',
    '',
    '/**',
    ' * told',
    ' */',
    '  <!-- no -->',
    'b();',
  ];
  expect(linesOfCode(text.join('\n'))).toBe(2);
  expect(linesOfCode('')).toBe(0);
});

it('what only tests use counts as a test', () => {
  const tests = [
    'core/src/a.test.ts',
    'web/src/app/a.spec.ts',
    'tools/lib/a.test.mjs',
    'core/src/testing/a.ts',
    'e2e/src/a.ts',
  ];
  expect(tests.filter((file) => !isTest(file))).toEqual([]);
  expect(['core/src/a.ts', 'tools/test.mjs', 'web/src/app/testing.ts'].filter(isTest)).toEqual([]);
});
