import { FAULTS, type Fault } from './faults';
import type { ReelToMount } from './mounted-reel';

const NAMES: Readonly<Record<Fault, string>> = {
  jitter: 'Bounces',
  drop: 'Loses five lines',
  half: 'Breaks off in a line',
  repeat: 'Repeats itself',
  older: 'Sends an older line',
  rubbish: 'Sends rubbish',
  jump: 'Jumps by 400',
  chatter: 'Chatters: 100 counts at once',
  power: 'Loses its power',
  silence: 'Silent for 12 s',
};

const escaped = (text: string): string =>
  text.replace(/[&<>"]/g, (sign) => `&#${String(sign.charCodeAt(0))};`);

/** A reel to mount at the beginning of its first layer, and each further line to go on with. */
function mounting({ name, radius, gear, layers: [first, ...more] }: ReelToMount): string {
  const begin = `/reel?radius=${String(radius)}&gear=${String(gear)}&rise=${String(first?.rise ?? 0)}`;
  const further = more.map(
    (layer) => `<button data-ask="/reel?rise=${String(layer.rise)}">then its ${escaped(layer.name)}</button>`,
  );
  const label = `${name}, ${first?.name ?? ''}`;
  return `<p><button data-ask="${begin.replaceAll('&', '&amp;')}">${escaped(label)}</button>${further.join('')}</p>`;
}

/** The page a simulated counter is turned from. */
export const PANEL = (name: string, reels: readonly ReelToMount[]): string => `<!doctype html>
<html lang="en">
  <meta charset="utf-8" />
  <title>${name}</title>
  <style>
    body { font: 600 18px system-ui; background: #e6ebec; color: #13212c; padding: 24px }
    button { font: inherit; min-height: 56px; padding: 0 20px; margin: 4px }
    output { font-size: 64px; display: block }
  </style>
  <h1>${name}, simulated</h1>
  <output id="count">0</output>
  <p>
    <button data-ask="/turn?n=1">One turn</button><button data-ask="/turn?n=10">Ten turns</button
    ><button data-ask="/turn?n=-1">One back</button>
  </p>
  <p>
    <button data-ask="/speed?v=3">Wind, 3 a second</button><button data-ask="/speed?v=1">Slowly, 1 a second</button
    ><button data-ask="/speed?v=-1">Back, 1 a second</button><button data-ask="/speed?v=0">Stop</button>
  </p>
  <p>Line meter: <output id="metres" style="display: inline; font-size: 28px">0</output> m</p>
  <h2>Which reel is mounted, for the line meter</h2>
  ${reels.map(mounting).join('')}
  <p>
    <button data-ask="/slip?share=0.15">Line slips in the meter</button
    ><button data-ask="/slip?share=0">It runs true</button><button data-ask="/meter?kind=silence">Meter silent for 12 s</button>
  </p>
  <h2>What it does wrong</h2>
  <p>
    ${FAULTS.map((kind) => `<button data-ask="/fault?kind=${kind}">${NAMES[kind]}</button>`).join('')}
  </p>
  <script>
    const show = (r) => r.json().then(({ count, metres }) => {
      document.getElementById('count').value = count.toFixed(1);
      document.getElementById('metres').value = metres.toFixed(2);
    });
    const ask = (path) => fetch(path, { method: 'POST' }).then(show);
    for (const button of document.querySelectorAll('button')) button.onclick = () => ask(button.dataset.ask);
    setInterval(() => ask('/turn?n=0'), 500);
  </script>
</html>
`;
