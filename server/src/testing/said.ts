export { tellMetric as said } from '@yard-spool/core';
