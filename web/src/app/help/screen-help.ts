import { pathOf } from './path-of';

/** What a screen is for, in two sentences, by the form of its address. */
export const SCREEN_HELP: readonly (readonly [at: RegExp, says: string])[] = [
  [
    /^\/sign-in/,
    'Choose your name and type your passcode: what you do from here on is written down as yours. Whoever has no name here, or forgot their passcode, asks a manager, under Settings, People; the only manager runs “npm run passcode -- NAME” on the shop’s own machine.',
  ],
  [
    /^\/day/,
    'What is done where, by whom and in which order, and how much time each bag has in hand. Start the reel that is next, or move a row, dragged or with Alt and an arrow key, and see what that does to each bag before you let it go.',
  ],
  [
    /^\/bags$/,
    'Every bag that is in the shop, the one promised soonest first, each reel drawn with what is to go on it. Open a bag to see its plan, take a reel to the bench or hand it back; book a new one in with N.',
  ],
  [
    /^\/bags\/new/,
    'Books in what a customer hands over: who it is, which reels, and which line each of them gets. The plan beside it follows every key, and nothing is promised until you book the bag in.',
  ],
  [
    /^\/bags\/question/,
    'Answers “how much goes on?” at the counter, without a customer and without taking anything from the rack. Nothing is saved or reserved unless you go on and book it in.',
  ],
  [
    /^\/bags\/counter/,
    'How much line a trolling reel’s counter asks for, from one reading at a tape, with nothing on record. Measure the spool and its line, and the answer is much surer.',
  ],
  [
    /^\/bags\/messages/,
    'The texts for customers whose reels are ready, whose line is due or whose line is not in stock, in the shop’s own words. Read one, change it where it does not fit, send it your own way and mark it as sent.',
  ],
  [
    /^\/bags\/\d+\/reel\//,
    'Plans one reel of a bag again: another line, another length, another gap. What was promised off the rack before is free again as soon as you save the new plan.',
  ],
  [
    /^\/bags\/\d+/,
    'One bag: its reels, what is to go on each and from which piece, and how far they are. From here a reel goes to the bench, a tag goes on paper and the bag goes back to its owner.',
  ],
  [
    /^\/bench\/walks/,
    'For counter reels that stand at their walk: take this page along, walk to the marks with all of them and type what each counter shows. It works out of reach of the shop and sends what you typed once you are back.',
  ],
  [
    /^\/bench\/\d+/,
    'One reel from empty to filled, step by step: the big number is what is left to wind, Space counts and Enter ends a step. Leave it whenever you like: it continues where you left it, at this bench or another.',
  ],
  [
    /^\/bench/,
    'What is on a bench now and what waits, in the order it was promised. Choose once which bench this computer is at, then start the next reel from here.',
  ],
  [
    /^\/rack\/cuts/,
    'Which piece each reel that waits is best cut from, over all bags together, and what that saves. Drag a length to another piece of its line to see what it costs; nothing changes on any bag until you accept the plan.',
  ],
  [
    /^\/rack\/tubs/,
    'Which pieces soak, since when, and when they may come out. Put a piece into a tub or take it out here, and the bench knows.',
  ],
  [
    /^\/rack\/recycling/,
    'Old line by weight and by tubes, for each of the bins that are collected apart. Write down what goes in, weighed with its container or without.',
  ],
  [
    /^\/rack\/count/,
    'The whole rack counted down one list, place by place: type what is on each piece, or scan its code to get to it. What differs from the books is shown, and taken in all at once or as far as you tick it; a count that was begun stays on this computer.',
  ],
  [
    /^\/rack\/order/,
    'What runs out first at the use of the last weeks, with what is promised already taken into account. Beside each line stands what its metre costs in each size that was bought.',
  ],
  [
    /^\/rack\/files\/stock-list/,
    'Imports the list a shop keeps of its spools, as it is: a spreadsheet or CSV with headings of its own. Say what each column is where that was not found, look at the pieces, then import them all.',
  ],
  [
    /^\/rack\/files/,
    'Brings pieces, lines and moves in from a spreadsheet’s file, and takes them out as one. A file is read and shown row by row first; nothing is imported until you say so.',
  ],
  [
    /^\/rack/,
    'Every piece of line in the shop as a length rule: what is left on it, what is promised off it, what is free. Add a spool, weigh or count one that is in doubt, and write off what is too short.',
  ],
  [
    /^\/reels\/book/,
    'What the shop knows of each kind of reel: what was wound on it, with what gap, and what its spool is believed to hold. Book one “as before” from here, and merge two names for one kind.',
  ],
  [
    /^\/reels\/due/,
    'Line that has been on for as long, or on as many trips, as the shop allows. Tell its owner, record that its line was reversed, or book it in again.',
  ],
  [
    /^\/reels\/fault/,
    'Finds what is wrong with a filled reel: say what they say, then answer the look that tells most for its minutes, or “cannot tell”. What the record knows counts at once, and what to do about it is worked out from the fill; anything inside the reel is for a service bench, by the maker’s instructions.',
  ],
  [
    /^\/reels\/comebacks/,
    'Reels that came back with a complaint: what the customer saw, what was found and what was done. Show only the open ones to see what is left to look into.',
  ],
  [
    /^\/reels\/got/,
    'Which reels got this line, lot or piece, and which of them still have it. Use it when a lot turns out to be bad.',
  ],
  [
    /^\/reels\/customer\//,
    'A customer’s reels, what is on each and what is due, what they like and their own line that is kept here. A bag for them is booked in from here.',
  ],
  [
    /^\/reels\/set\//,
    'Counter reels that are fished together, side by side: whether they show the same for the same length of line. Leave one out that belongs to another set.',
  ],
  [
    /^\/reels\/[^/?]+\/counter/,
    'The table of one counter: what it shows for how much line is truly out. Print it and hang it on the reel.',
  ],
  [
    /^\/reels\/[^/?]+/,
    'Everything that was ever wound on this reel: each layer with its piece and length, the gap, the counter, who did what. A wrong entry is corrected here, and both versions stay readable.',
  ],
  [
    /^\/reels/,
    'One box finds any reel, customer, line, lot, note, bag or day. Scan a tag anywhere in the program and you land on its reel.',
  ],
  [
    /^\/house\/rules/,
    'How this shop works where people disagree, with the reasons on both sides. Before a change is saved it shows what it does to each reel that waits.',
  ],
  [
    /^\/house\/exceptions/,
    'Where a line, a customer or a reel is treated differently from the rest of the shop. The narrowest one applies: reel before customer before line.',
  ],
  [
    /^\/house\/benches/,
    'The benches, how much room each has, and the counters and meters that stand on them. A counter set up here counts for whatever reel is on its bench.',
  ],
  [
    /^\/house\/people/,
    'Who works here, as technician or manager, and their passcodes. Whoever leaves stays named in every record.',
  ],
  [
    /^\/house\/access/,
    'Which devices are signed in, and what was tried and done that matters for safety. Sign out a device that was lost from here.',
  ],
  [
    /^\/house\/shop/,
    'The shop’s name and time zone, what a cut loses, units, prices and the words of its messages. What you enter here appears on every printed page.',
  ],
  [
    /^\/house\/cautions/,
    'Cautions as the bench shows them, in the shop’s own words where it has them. Local codes, licensed practice and the maker’s instructions come before any of them.',
  ],
  [
    /^\/house\/files/,
    'The whole shop as one file to keep elsewhere, the calendar of what is promised, and records in open formats. Whoever has one of these files can read it, so keep them safe.',
  ],
  [
    /^\/house\/changes/,
    'Every change to the shop’s rules, with what was before and who made it. A change is undone where it was made.',
  ],
  [
    /^\/house\/unread/,
    'Entries that a file brought, or that were changed outside the application, and that no screen can show as they are. Store something that can be read, or leave them: nothing else is touched.',
  ],
  [
    /^\/paper\//,
    'What will be printed, as it will look on paper. Choose the size, look at it, then print it or send it to the label printer.',
  ],
];

/** What the screen at an address is for; empty where there is no such screen. */
export function helpFor(url: string): string {
  const path = pathOf(url);
  return SCREEN_HELP.find(([at]) => at.test(path))?.[1] ?? '';
}
