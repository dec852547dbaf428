import { Injectable } from '@angular/core';
import type { HearAnswer, HearOrder } from './hear-protocol';

/** Why there is no ear. */
export type HearFault = 'none' | 'refused' | 'busy' | 'not-here' | 'lost';

export interface OpenEar {
  readonly tell: (order: HearOrder) => void;
  readonly close: () => void;
}

/**
 * The device's microphone into the ear's worker: an audio worklet hands the samples straight to it. Nothing is
 * recorded or sent. What a telephone does to make a voice clearer would take a file away, so it is asked not to.
 */
@Injectable({ providedIn: 'root' })
export class HearClient {
  async open(heard: (answer: HearAnswer) => void, lost: (fault: HearFault) => void): Promise<OpenEar | HearFault> {
    if (!navigator.mediaDevices?.getUserMedia || typeof AudioWorkletNode === 'undefined') return 'not-here';
    let stream: MediaStream;
    try {
      stream = await navigator.mediaDevices.getUserMedia({
        audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false, channelCount: 1 },
      });
    } catch (error) {
      return faultOf(error);
    }
    const { context, source } = heardBy(stream);
    const worker = new Worker(new URL('./hear.worker', import.meta.url), { type: 'module' });
    const close = (): void => {
      stream.getTracks().forEach((track) => track.stop());
      worker.terminate();
      void context.close();
    };
    try {
      await context.audioWorklet.addModule('/hear-samples.js');
      await context.resume();
    } catch {
      close();
      return 'not-here';
    }
    const samples = new AudioWorkletNode(context, 'odontis-hear-samples');
    const { port1, port2 } = new MessageChannel();
    samples.port.postMessage(port1, [port1]);
    worker.addEventListener('message', ({ data }: MessageEvent<HearAnswer>) => heard(data));
    worker.addEventListener('error', () => lost('lost'));
    worker.postMessage({ do: 'begin', rate: context.sampleRate, port: port2 } satisfies HearOrder, [port2]);
    // Only what leads to the loudspeaker runs; this leads there in silence.
    context.addEventListener('statechange', () => {
      // A call came, or the device slept: nothing is heard.
      if (context.state !== 'running' && context.state !== 'closed') lost('lost');
    });
    const silence = new GainNode(context, { gain: 0 });
    source.connect(samples).connect(silence);
    silence.connect(context.destination);
    stream.getAudioTracks().forEach((track) => track.addEventListener('ended', () => lost('lost')));
    return { tell: (order) => worker.postMessage(order), close };
  }
}

/** What a file sounds in lies under 10 kHz: half of the usual samples is half of the work. */
const RATE = 24_000;

/** The microphone at that rate; at its own where a browser does not turn one into the other. */
function heardBy(stream: MediaStream): { context: AudioContext; source: MediaStreamAudioSourceNode } {
  const at = (context: AudioContext) => ({
    context,
    source: new MediaStreamAudioSourceNode(context, { mediaStream: stream }),
  });
  const slow = new AudioContext({ sampleRate: RATE });
  try {
    return at(slow);
  } catch {
    void slow.close();
    return at(new AudioContext());
  }
}

const FAULTS: Readonly<Record<string, HearFault>> = {
  NotAllowedError: 'refused',
  SecurityError: 'refused',
  NotFoundError: 'none',
  OverconstrainedError: 'none',
  NotReadableError: 'busy',
  AbortError: 'busy',
};
const faultOf = (error: unknown): HearFault => (error instanceof DOMException && FAULTS[error.name]) || 'not-here';
