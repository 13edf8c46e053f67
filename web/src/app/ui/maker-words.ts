import type { MakerWords } from '@yard-spool/contract';

/** What is printed and what its maker says, as rows beside a piece or at the bench; nothing where nothing was written down. */
export function makerWords(maker: MakerWords | undefined): string[] {
  if (!maker) return [];
  const { soakHours, labelSide, strength, diameter, says } = maker;
  const printed = [strength, diameter].filter((one) => one !== '').join(', ');
  return [
    printed === '' ? '' : `printed ${printed}`,
    soakHours === null
      ? ''
      : soakHours === 0
        ? 'its maker says not to soak it'
        : `its maker says to soak it ${String(soakHours)} h`,
    labelSide === null ? '' : `label ${labelSide}, as its box says`,
    says === '' ? '' : `“${says}”`,
  ].filter((one) => one !== '');
}
