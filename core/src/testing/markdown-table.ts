/** A Markdown table with its columns padded to one width, as the formatter would leave it. */
export function table(head: readonly string[], rows: readonly (readonly string[])[]): string {
  const widths = head.map((title, i) =>
    Math.max(title.length, ...rows.map((row) => (row[i] ?? '').length), 3),
  );
  const line = (cells: readonly string[]): string =>
    `| ${widths.map((width, i) => (cells[i] ?? '').padEnd(width)).join(' | ')} |`;
  return [line(head), `| ${widths.map((width) => '-'.repeat(width)).join(' | ')} |`, ...rows.map(line)].join(
    '\n',
  );
}

/** Puts each block of text between its two markers; a marker without a block, or the other way round, is an error. */
export function fillBlocks(document: string, blocks: Readonly<Record<string, string>>): string {
  const left = new Set(Object.keys(blocks));
  const filled = document.replace(
    /(<!-- figure: ([\w-]+) -->\n)[\s\S]*?(<!-- end -->)/g,
    (_, open: string, name: string, close: string) => {
      const block = blocks[name];
      if (block === undefined) throw new Error(`The document asks for a figure "${name}" nobody makes.`);
      left.delete(name);
      return `${open}\n${block}\n\n${close}`;
    },
  );
  if (left.size > 0) throw new Error(`The document has no place for ${[...left].join(', ')}.`);
  return filled;
}
