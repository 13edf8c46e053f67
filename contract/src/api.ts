import { accessApi } from './api/access';
import { bagsApi } from './api/bags';
import { benchApi } from './api/bench';
import { houseApi } from './api/house';
import { rackApi } from './api/rack';
import { reelsApi } from './api/reels';

/** Everything the server answers, by area. */
export const api = { ...accessApi, ...bagsApi, ...reelsApi, ...rackApi, ...houseApi, ...benchApi } as const;
