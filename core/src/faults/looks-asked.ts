import { says, type FaultLook } from './look';

/** What the record tells, and what whoever fishes it can tell. */
export const LOOKS_ASKED = {
  'gap-closed': {
    ask: 'How full was it when it left?',
    minutes: 0,
    onRecord: true,
    answers: {
      higher: says('fuller than the house fills', 0.1, 'It left the shop fuller than the house fills.'),
      right: says('as the house fills', 0.8, 'It left the shop as full as the house fills.'),
      deeper: says('less full than the house fills', 0.1, 'It left the shop less full than the house fills.'),
    },
  },
  'twist-closed': {
    ask: 'How much twist did it leave with?',
    minutes: 0,
    onRecord: true,
    answers: {
      twisted: says('twisted', 0.08, 'A slack metre turned round itself when it was filled.'),
      straight: says('straight', 0.92, 'It left the shop straight: the slack metre hung still.'),
    },
  },
  'supply-closed': {
    ask: 'Did its supply stand so that it put twist in?',
    minutes: 0,
    onRecord: true,
    answers: {
      adds: says('yes', 0.12, 'Its supply stood so that it put twist in.'),
      even: says('no', 0.88, 'Its supply stood so that it put no more twist in than it must.'),
    },
  },
  'pull-closed': {
    ask: 'What was the drag set to when it left?',
    minutes: 0,
    onRecord: true,
    answers: {
      over: says('more than it stands', 0.04, 'It left with more drag than its weakest part stands.'),
      under: says('less than it stands', 0.96, 'It left with less drag than its weakest part stands.'),
    },
  },
  hand: {
    ask: 'Do more reels wound by the same hand come back?',
    minutes: 0,
    onRecord: true,
    answers: {
      others: says('yes', 0.05, 'More reels wound by the same hand come back than chance allows.'),
      none: says('no', 0.95, 'No more reels wound by the same hand come back than others.'),
    },
  },
  'tension-closed': {
    ask: 'Did the line hold when it was wound?',
    minutes: 0,
    onRecord: true,
    answers: {
      sprang: says('it sprang', 0.07, 'It was noted to spring when it was wound.'),
      held: says('it held', 0.93, 'The line stayed put when it was wound.'),
    },
  },
  when: {
    ask: 'Since when?',
    minutes: 0.2,
    answers: {
      first: says('from the first cast', 0.4, 'It has done so from the first cast.'),
      crept: says('it came bit by bit', 0.35, 'It came bit by bit.'),
      'one-day': says('from one moment to the next', 0.25, 'It began from one moment to the next.'),
    },
  },
  handed: {
    ask: 'How did it look when it was handed back?',
    minutes: 0.2,
    answers: {
      high: says('too full already', 0.1, 'It looked too full when it was handed back.'),
      right: says('as it should', 0.82, 'It looked right when it was handed back.'),
      low: says('too little already', 0.08, 'It looked half empty when it was handed back.'),
    },
  },
  lost: {
    ask: 'Was line lost or cut off since it was filled?',
    minutes: 0.2,
    answers: {
      yes: says('yes', 0.2, 'Line was lost since it was filled.'),
      no: says('no', 0.8, 'No line was lost since it was filled.'),
    },
  },
  load: {
    ask: 'Was there a snag, or a heavy fish, just before it began?',
    minutes: 0.2,
    answers: {
      yes: says('yes', 0.25, 'It had a snag or a heavy fish just before.'),
      no: says('no', 0.75, 'There was no snag or heavy fish before it.'),
    },
  },
  spins: {
    ask: 'Do they wind while the drag gives line, or fish lures that spin?',
    minutes: 0.3,
    answers: {
      yes: says('yes', 0.3, 'They wind against the drag, or fish lures that spin.'),
      no: says('no', 0.7, 'They neither wind against the drag nor fish lures that spin.'),
    },
  },
  swivel: {
    ask: 'Do they fish with a swivel?',
    minutes: 0.2,
    answers: {
      yes: says('yes', 0.55, 'They fish with a swivel.'),
      no: says('no', 0.45, 'They fish without a swivel.'),
    },
  },
  place: {
    ask: 'How far out does it dig in?',
    minutes: 0.3,
    answers: {
      'one-place': says('always at one place', 0.35, 'It digs in at one place.'),
      'near-join': says('near the backing', 0.15, 'It digs in near the backing.'),
      anywhere: says('anywhere', 0.5, 'It digs in anywhere.'),
    },
  },
  cold: {
    ask: 'Is it worst on the first casts of a cold day?',
    minutes: 0.2,
    answers: {
      yes: says('yes', 0.2, 'It is worst on the first casts of a cold day.'),
      no: says('no', 0.8, 'Cold makes it no worse.'),
    },
  },
  lure: {
    ask: 'Is what they cast now lighter than what it was set with?',
    minutes: 0.2,
    answers: {
      lighter: says('lighter', 0.12, 'What is cast now is lighter than what it was set with.'),
      same: says('the same, or heavier', 0.88, 'What is cast now is no lighter than what it was set with.'),
    },
  },
  out: {
    ask: 'How much has it been out?',
    minutes: 0.2,
    answers: {
      long: says('more than this line lasts', 0.15, 'It has been out for as long as such line lasts.'),
      fresh: says('less than this line lasts', 0.85, 'It has not been out for as long as such line lasts.'),
    },
  },
  soaked: {
    ask: 'Was the line soaked before it was wound?',
    minutes: 0.2,
    answers: {
      no: says('no', 0.5, 'The line was wound dry.'),
      yes: says('yes', 0.5, 'The line was soaked before it was wound.'),
    },
  },
  bare: {
    ask: 'Does the line lie on the bare arbor, without tape or backing?',
    minutes: 0.3,
    answers: {
      bare: says('bare', 0.1, 'The line lies on the bare arbor.'),
      held: says('taped or backed', 0.9, 'The line lies on tape or backing.'),
    },
  },
  where: {
    ask: 'Where did it break?',
    minutes: 0.2,
    answers: {
      knot: says('at the knot', 0.35, 'It broke at the knot.'),
      join: says('at the join', 0.2, 'It broke at the join.'),
      middle: says('in mid-line', 0.45, 'It broke in mid-line.'),
    },
  },
  end: {
    ask: 'What does the broken end look like?',
    minutes: 0.3,
    answers: {
      curled: says('curled', 0.2, 'The end is curled: it slipped.'),
      clean: says('clean', 0.3, 'The end is clean.'),
      frayed: says('frayed', 0.5, 'The end is frayed.'),
    },
  },
} as const satisfies Readonly<Record<string, FaultLook>>;
