/** What another piece is for a layer: joined from here on, mounted all along, or begun with again. */
export type PieceAnswer = 'here' | 'all-along' | 'stripped';

export const PIECE_ANSWERS: readonly { readonly value: PieceAnswer; readonly name: string }[] = [
  { value: 'here', name: 'Joined here' },
  { value: 'all-along', name: 'On all along' },
  { value: 'stripped', name: 'Strip, begin with it' },
];
