// Parts of queries that many ask alike: they stand here and nowhere else.

/** Behind `jobs`: the spool a job fills, and its reel. */
export const REEL_OF_JOB = 'JOIN spools ON spools.id = jobs.spool_id JOIN reels ON reels.id = spools.reel_id';
/** Behind `fills`: the spool that was filled, and its reel. */
export const REEL_OF_FILL =
  'JOIN spools ON spools.id = fills.spool_id JOIN reels ON reels.id = spools.reel_id';
/** Behind `cuts`: the job a cut is for. */
export const JOB_OF_CUT = 'JOIN jobs ON jobs.id = cuts.job_id';
/** Behind `reels`: whose a reel is. */
export const OWNER_OF_REEL = 'JOIN customers ON customers.id = reels.customer_id';
