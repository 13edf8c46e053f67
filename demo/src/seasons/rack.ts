import { DEMO_PIECES, type DemoPiece } from '../lines';

/** What hangs on the full shop's rack beside that of the small one. */
const MORE_PIECES: readonly DemoPiece[] = [
  ['N-203', 'SN-25', 6000, 'bulk', 'Wall A', 96],
  ['N-209', 'CN-22', 3000, 'bulk', 'Wall A', 58],
  ['N-213', 'CN-33', 2000, 'bulk', 'Wall A', 61.5],
  ['N-215', 'SN-35', 2500, 'bulk', 'Wall A', 55],
  ['N-216', 'SN-35', 210, 'remnant', 'Drawer 2', null],
  ['N-221', 'SN-40', 3000, 'bulk', 'Wall B', 79],
  ['N-232', 'AN-45', 130, 'remnant', 'Drawer 3', null],
  ['N-233', 'AN-55', 1500, 'bulk', 'Wall B', 52],
  ['N-242', 'AN-90', 600, 'bulk', 'Wall B', 47],
  ['F-103', 'CF-28', 300, 'pack', 'Drawer 4', 29.9],
  ['F-106', 'CF-35', 150, 'pack', 'Drawer 4', 23.5],
  ['F-107', 'CF-22', 150, 'pack', 'Drawer 4', 18.2],
  ['F-108', 'CF-22', 150, 'pack', 'Drawer 4', 18.2],
  ['F-110', 'CF-50', 60, 'pack', 'Drawer 5', 21],
  ['B-299', 'MB-11', 1500, 'bulk', 'Wall C', 122],
  ['B-305', 'MB-15', 190, 'remnant', 'Drawer 4', null],
  ['B-312', 'MB-28', 1200, 'bulk', 'Wall C', 97],
  ['B-315', 'FB-36', 1200, 'bulk', 'Wall C', 110],
  ['H-405', 'HB-70', 900, 'bulk', 'Wall D', 181],
  ['S-036', 'SN-30', 180, 'salvage', 'Tub shelf', null],
];

/** All that hangs on the full shop's rack. */
export const FULL_RACK: readonly DemoPiece[] = [...DEMO_PIECES, ...MORE_PIECES];
