import { bedInText, fillSection, fillStretches, streamOf, STREAMS } from '@yard-spool/core';
import type { Content } from 'pdfmake/interfaces';
import type { HandBackFacts, HandedBack } from '../facts';
import { A5, hairline, roomOf, type Sheet } from '../sheet';
import type { House, Say } from '../say';
import { ruleSvg } from '../svg/rule';
import { sectionSvg } from '../svg/section';
import { counterTableOf } from './counter-rows';

/** What goes with the reels of a bag: a page for each, with what is on it and what to do with it. */
export function handBackSlip(facts: HandBackFacts, say: Say, house: House): Sheet {
  const title = `Hand-back slip of bag ${String(facts.bag.number)}`;
  const none = [{ text: 'Nothing of this bag is filled yet.' }];
  return {
    ...A5,
    title,
    content:
      facts.reels.length === 0 ? none : facts.reels.flatMap((reel, i) => page(facts, reel, i, say, house)),
  };
}

function page(facts: HandBackFacts, reel: HandedBack, i: number, say: Say, house: House): Content[] {
  const { fill, tag, spool } = reel;
  const width = roomOf(A5);
  const { bag } = facts;
  return [
    {
      ...(i > 0 ? { pageBreak: 'before' as const } : {}),
      columns: [
        [
          { text: tag, bold: true, fontSize: 20 },
          { text: `${reel.reel}${spool === 'own' ? '' : `, ${spool} spool`}`, bold: true },
          { text: `${bag.customer.name}, bag ${String(bag.number)}` },
          {
            text: `Filled ${say.moment(fill.closedAt)} by ${fill.by}${house.shop === '' ? '' : `, ${house.shop}`}`,
          },
        ],
        { width: 58, qr: tag, fit: 56, eccLevel: 'M' },
      ],
    },
    hairline(width),
    {
      svg: sectionSvg(fillSection(fill, say), `arbor Ø ${say.small(2 * fill.spool.arborRadius)}`),
      width: width * 0.92,
    },
    { svg: ruleSvg(fillStretches(fill), house.units), width, margin: [0, 2, 0, 4] },
    { text: onIt(reel, say), margin: [0, 0, 0, 4] },
    ...(reel.counter
      ? [
          counterTableOf(reel.counter),
          { text: 'In brackets: the join is off the spool by then.', fontSize: 8 } satisfies Content,
        ]
      : []),
    ...advice(facts, reel, say).map((text): Content => ({ text, margin: [0, 3, 0, 0] })),
  ];
}

function onIt({ fill, leader, dragKg }: HandedBack, say: Say): string {
  const layers = [...fill.layers]
    .reverse()
    .map(
      ({ lengthMm, lineName, role, lot }) =>
        `${say.length(lengthMm / 1000)} ${lineName} as ${role.replace('-', ' ')}${lot === '' ? '' : `, lot ${lot}`}`,
    );
  return [
    `On it: ${layers.join('; ')}.`,
    `${say.small(fill.gapRead ?? fill.gapByCount)} free below the lip.`,
    ...(leader === '' ? [] : [`Leader: ${leader}.`]),
    ...(dragKg === null ? [] : [`Drag tried at ${say.strength(dragKg)}, then backed off.`]),
  ].join(' ');
}

function advice({ bag, bins }: HandBackFacts, { type, on, fill }: HandedBack, say: Say): string[] {
  const outermost = fill.layers.at(-1);
  const stream = outermost ? streamOf(outermost.line.material) : STREAMS[0];
  const bin = bins[stream] ?? '';
  const own = bag.brought.filter(({ leftMm, back }) => leftMm > 0 && !back);
  return [
    bedInText(type),
    ...(on?.dueAt
      ? [`Due for new line about ${say.day(on.dueAt)}, sooner if it is fished often or looks worn.`]
      : []),
    `Old ${stream}: ${bin === '' ? 'ask us where it is recycled' : bin}. Never loose in a bin or outdoors, where it traps animals.`,
    ...own.map(
      ({ name, leftMm }) =>
        `Of your own ${name}, ${say.length(leftMm / 1000)} is left and comes back with this bag.`,
    ),
  ];
}
