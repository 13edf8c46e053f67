/** Text as it stands in a drawing's markup. */
export const escaped = (text: string): string =>
  text.replace(/[&<>"']/g, (sign) => `&#${String(sign.charCodeAt(0))};`);

type Attributes = Readonly<Record<string, string | number>>;

const written = (value: string | number): string =>
  typeof value === 'number' ? String(Math.round(value * 1000) / 1000) : escaped(value);

/** An element of a drawing with what is inside it, as markup. */
export const element = (name: string, attributes: Attributes, ...inside: readonly string[]): string => {
  const all = Object.entries(attributes).map(([key, value]) => ` ${key}="${written(value)}"`);
  return `<${name}${all.join('')}>${inside.join('')}</${name}>`;
};

/** Words in a drawing: their text is no markup. */
export const words = (attributes: Attributes, text: string): string =>
  element('text', { 'font-family': FONT, ...attributes }, escaped(text));

/** A whole drawing. `title` is what is read out. */
export const drawing = (
  { width, height, title }: { readonly width: number; readonly height: number; readonly title: string },
  ...inside: readonly string[]
): string =>
  element(
    'svg',
    { xmlns: 'http://www.w3.org/2000/svg', viewBox: `0 0 ${String(width)} ${String(height)}`, width, height },
    element('title', {}, escaped(title)),
    ...inside,
  );

/** The product's own letters, and whatever stands in for them elsewhere. */
export const FONT = 'Atkinson Hyperlegible Next, sans-serif';
