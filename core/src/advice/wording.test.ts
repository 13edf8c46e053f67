import { describe, expect, it } from 'vitest';
import { dueText } from './due-text';
import { readyText } from './ready-text';
import { fillWording, unknownWords } from './wording';

const READY = {
  customer: '{shop} Orla',
  bag: 12,
  shop: 'The Yard',
  reels: [
    { tag: 'R-1', label: 'Pier 4000', on: '150 m moss braid' },
    { tag: 'R-2', label: 'Quay 30', on: '' },
  ],
};

describe('a message’s words', () => {
  it('are filled in once: what is in braces in a customer’s name stays as it is', () => {
    expect(readyText(READY)).toBe(
      [
        'Hello {shop} Orla,',
        'bag 12 is ready: 2 reels.',
        'R-1 Pier 4000: 150 m moss braid',
        'R-2 Quay 30',
        'Bring your slip when you collect it. The Yard',
      ].join('\n'),
    );
    expect(readyText({ ...READY, reels: READY.reels.slice(1) }, '{reels}, {bag}')).toBe('1 reel, 12');
  });

  it('of the house take the place of the usual, and what they do not know is named', () => {
    expect(unknownWords('ready', 'Dear {customer}, {price} for {bag} {}')).toEqual(['price', '']);
    expect(unknownWords('due', '{since} {constructor}')).toEqual(['constructor']);
    expect(fillWording('ready', '{constructor} {bag}', { ...filled(), bag: '3' })).toBe('{constructor} 3');
  });

  it('leave no empty lines where nothing is filled in, and keep one between paragraphs', () => {
    expect(fillWording('ready', 'a\n{shop}\n\n\nb\n{shop}', filled())).toBe('a\n\nb');
  });

  it('of line that is due tell since when and what would be done', () => {
    const facts = {
      customer: 'Orla',
      label: 'Pier 4000',
      tag: 'R-1',
      spool: 'spare',
      main: 'moss braid',
      shop: '',
      filledOn: '3 May 2031',
      by: 'trips' as const,
      trips: 40,
      reverse: true,
    };
    expect(dueText(facts)).toContain('(tag R-1, spare spool) is due. It has been out 40 times');
    expect(dueText({ ...facts, trips: null, reverse: false }, '{since}! {advice}')).toBe(
      'We filled it on 3 May 2031! We would put new line on it.',
    );
  });
});

const filled = () => ({ customer: '', bag: '', reels: '', list: '', shop: '' });
