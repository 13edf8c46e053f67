/** A file's text, as the test runner imports it. */
declare module '*.md?raw' {
  const text: string;
  export default text;
}
