import { accessApi } from './api/access';
import { bagsApi } from './api/bags';
import { benchApi } from './api/bench';
import { cutsApi } from './api/cuts';
import { dayApi } from './api/day';
import { houseApi } from './api/house';
import { paperApi } from './api/paper';
import { rackApi } from './api/rack';
import { recordApi } from './api/record';
import { reelsApi } from './api/reels';

/** Everything the server answers, by area. */
export const api = {
  ...accessApi,
  ...bagsApi,
  ...reelsApi,
  ...recordApi,
  ...rackApi,
  ...houseApi,
  ...benchApi,
  ...dayApi,
  ...cutsApi,
  ...paperApi,
} as const;
