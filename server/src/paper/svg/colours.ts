import { PALETTE } from '@yard-spool/core';

export const INK = PALETTE.ink;
export const MUTE = PALETTE.mute;
export const METAL = PALETTE.metal;
export const ARBOR = PALETTE.arbor;
export const STOP = PALETTE.stop;
export const JOIN = PALETTE.join;
