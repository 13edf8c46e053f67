import { writeFileSync, mkdirSync } from 'node:fs';
import { Browser } from './browser';
mkdirSync('/tmp/look',{recursive:true});
const b = await Browser.open(process.env.YARD_SPOOL_ADDRESS!);
const shot = async (name: string) => writeFileSync(`/tmp/look/${name}.png`, Buffer.from(await b.driver.takeScreenshot(), 'base64'));
try {
  await b.signIn('Tova','eider-41');
  await b.resize(1280,800);
  await b.go('/day');
  await b.find('ys-day-row');
  await new Promise(r=>setTimeout(r,800));
  await shot('day');
  console.log(JSON.stringify(await b.driver.executeAsyncScript('fetch("/api/day").then(r=>r.json()).then(d=>arguments[0]({rows:d.rows.map(r=>[r.id,r.state,r.startAt.slice(11,16),r.endAt.slice(11,16),r.benchId,r.personId]),bags:d.bags,no:d.noPlace.length,later:d.later,broken:d.broken,now:d.now,opens:d.opensAt}))')).slice(0,6000));
} finally { await b.close(); }
