/** The product's colours, as its screens have them. */
export const INK = '#13212c';
export const MUTE = '#4a5a63';
export const METAL = '#33444f';
export const ARBOR = '#b9c3c7';
export const STOP = '#c3271b';
export const JOIN = '#7a5a00';
