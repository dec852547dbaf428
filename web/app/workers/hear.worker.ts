/// <reference lib="webworker" />
import type { BenchEar } from '@odontis/core/hear/bench-ear';
import { benchEar } from '@odontis/core/hear/bench-ear';
import type { HearAnswer, HearOrder } from './hear-protocol';

let ear: BenchEar | null = null;
let wanted: number | null = null;

const say = (answer: HearAnswer): void => postMessage(answer);

function hear({ data }: MessageEvent<Float32Array>): void {
  if (!ear || wanted === null) return;
  const events = ear.take(data, wanted);
  if (events.length > 0) say({ is: 'heard', events });
}

addEventListener('message', ({ data }: MessageEvent<HearOrder>) => {
  switch (data.do) {
    case 'begin':
      ear = benchEar(data.rate);
      data.port.onmessage = hear;
      return;
    case 'want':
      wanted = data.strokes;
      return;
    case 'learn':
      if (ear) say({ is: 'learned', learned: ear.learn(data.strokes) });
      return;
    case 'forget':
      return ear?.forget();
    case 'anew':
      return ear?.anew(data.rightly);
  }
});
