/** The path of an address within the application, without what is asked or pointed at on it. */
export const pathOf = (url: string): string => url.split(/[?#]/)[0] ?? '';
