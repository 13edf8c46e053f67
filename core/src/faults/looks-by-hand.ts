import { says, type FaultLook } from './look';

/** What hands and eyes find at the counter, without a tool first. */
export const LOOKS_BY_HAND = {
  thumb: {
    ask: 'Push the pack with a thumb.',
    minutes: 0.3,
    answers: {
      springs: says('it gives, or springs', 0.1, 'The pack gives under a thumb.'),
      firm: says('it is firm', 0.9, 'The pack is firm.'),
    },
  },
  cap: {
    ask: 'Does the spool have play from side to side?',
    minutes: 0.3,
    answers: {
      loose: says('it has play', 0.12, 'The spool has play from side to side.'),
      snug: says('none to be felt', 0.88, 'The spool has no play.'),
    },
  },
  edges: {
    ask: 'Look at it from the side: where does it stand higher?',
    minutes: 0.4,
    answers: {
      front: says('at the front', 0.08, 'It stands higher at the front.'),
      rear: says('at the rear', 0.08, 'It stands higher at the rear.'),
      level: says('level', 0.84, 'It stands level.'),
    },
  },
  'off-spool': {
    ask: 'Pull off a metre and lay it down.',
    how: 'Off the top, without pulling it straight.',
    minutes: 0.5,
    answers: {
      springs: says('it lies in coils', 0.2, 'A metre pulled off lies in coils.'),
      straight: says('it lies straight', 0.8, 'A metre pulled off lies straight.'),
    },
  },
  nail: {
    ask: 'Draw the top metres over a thumb nail.',
    minutes: 0.5,
    answers: {
      rough: says('rough or flat', 0.12, 'The line is rough or flat to the nail.'),
      smooth: says('smooth', 0.88, 'The line is smooth to the nail.'),
    },
  },
  spread: {
    ask: 'Where is it rough?',
    minutes: 0.5,
    answers: {
      'one-place': says('in one place', 0.15, 'It is rough in one place.'),
      along: says('all along', 0.15, 'It is rough all along.'),
      nowhere: says('nowhere', 0.7, 'It is rough nowhere.'),
    },
  },
  below: {
    ask: 'Press the pack hard from above: does the backing below give?',
    minutes: 0.4,
    answers: {
      springy: says('it gives', 0.15, 'The backing below gives.'),
      firm: says('it is firm', 0.85, 'The backing below is firm.'),
    },
  },
  join: {
    ask: 'Does the join leave the spool on a long cast?',
    minutes: 0.4,
    answers: {
      leaves: says('it leaves it', 0.15, 'The join goes through the rings on a long cast.'),
      stays: says('it stays on', 0.85, 'The join stays on the spool.'),
    },
  },
  lot: {
    ask: 'Have other reels filled from the same lot come back?',
    minutes: 0.5,
    answers: {
      others: says('yes', 0.08, 'More reels filled from the same lot came back than chance allows.'),
      none: says('no', 0.92, 'Reels filled from the same lot come back no more than others.'),
    },
  },
  jerk: {
    ask: 'Pull line off slowly against the drag as it is set.',
    minutes: 0.5,
    caution: 'wind',
    answers: {
      jerks: says('it starts with a jerk', 0.06, 'The drag starts with a jerk.'),
      smooth: says('it starts smoothly', 0.94, 'The drag starts smoothly.'),
    },
  },
  gap: {
    ask: 'How deep does the line lie below the lip now?',
    how: 'Measure it wet, in the middle.',
    minutes: 1,
    tool: 'calliper',
    answers: {
      higher: says('higher than the house fills', 0.12, 'It stands higher now than the house fills.'),
      right: says('as the house fills', 0.68, 'It stands as high now as the house fills.'),
      deeper: says('deeper than the house fills', 0.2, 'It lies deeper now than the house fills.'),
    },
  },
  hold: {
    ask: 'Drag tight, hold the line fast and turn the handle gently. What turns?',
    minutes: 1,
    caution: 'wind',
    answers: {
      line: says('the line, round its arbor', 0.02, 'The line turns round its arbor.'),
      drag: says('the spool: the drag gives', 0.05, 'The drag gives although it is tight.'),
      holds: says('nothing', 0.93, 'Neither the line nor the drag gives.'),
    },
  },
  binds: {
    ask: 'Pull line off by hand for as far as a cast: does it bind?',
    minutes: 1,
    caution: 'wind',
    answers: {
      binds: says('it binds', 0.1, 'It binds under its own wraps.'),
      free: says('it runs free', 0.9, 'It runs off freely.'),
    },
  },
  throws: {
    ask: 'Hang the lure and let it fall: does the spool stop with it?',
    minutes: 1,
    caution: 'strip',
    answers: {
      'runs-on': says('it runs on', 0.1, 'The spool runs on when the lure lands.'),
      stops: says('it stops', 0.9, 'The spool stops with the lure.'),
    },
  },
  slack: {
    ask: 'Let two metres hang in a loop. Do they turn round each other?',
    minutes: 1.5,
    answers: {
      turns: says('they turn', 0.12, 'A slack metre turns round itself.'),
      hangs: says('they hang still', 0.88, 'A slack metre hangs still.'),
    },
  },
  deep: {
    ask: 'Pull off more than a cast. Does a slack metre there turn round itself too?',
    minutes: 3,
    answers: {
      deep: says('it turns there too', 0.1, 'Line below the longest cast is twisted too.'),
      top: says('it hangs still there', 0.9, 'Line below the longest cast hangs still.'),
    },
  },
  'knot-test': {
    ask: 'Have them tie their knot and pull it slowly. Does it hold?',
    minutes: 2,
    caution: 'wind',
    answers: {
      fails: says('it slips or cuts', 0.1, 'A knot they tied fresh slipped or cut.'),
      holds: says('it holds', 0.9, 'A knot they tied fresh held.'),
    },
  },
  strength: {
    ask: 'Pull a metre of it, off the middle, until it breaks. Is it weak for what it is?',
    minutes: 2,
    tool: 'spring balance',
    caution: 'wind',
    answers: {
      weak: says('weak', 0.12, 'The line breaks below what it is rated for.'),
      strong: says('as rated', 0.88, 'The line breaks at what it is rated for.'),
    },
  },
  rings: {
    ask: 'Draw a wisp of cotton through each ring and round the lip.',
    minutes: 2,
    answers: {
      catches: says('it catches', 0.06, 'Cotton catches on a ring or the lip.'),
      smooth: says('it does not', 0.94, 'The rings and the lip are smooth.'),
    },
  },
  pull: {
    ask: 'Read the drag as it is set. Is it more than the weakest part stands?',
    minutes: 2,
    tool: 'spring balance',
    caution: 'wind',
    answers: {
      over: says('more', 0.12, 'The drag is set to more than the weakest part stands.'),
      under: says('less', 0.88, 'The drag is set to less than the weakest part stands.'),
    },
  },
  walk: {
    ask: 'Walk it against a tape to two marks. How does the counter read?',
    minutes: 6,
    tool: 'tape',
    answers: {
      steady: says('off by the same share', 0.05, 'The counter is off by the same share at both marks.'),
      varies: says('off by now more, now less', 0.05, 'The counter is off by now more, now less.'),
      right: says('right', 0.9, 'The counter reads right.'),
    },
  },
} as const satisfies Readonly<Record<string, FaultLook>>;
