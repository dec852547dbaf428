// The microphone’s samples handed on as they come, a fiftieth of a second at a time at the rate asked for. It keeps none.
const BLOCK = 480;

class HearSamples extends AudioWorkletProcessor {
  constructor() {
    super();
    this.held = new Float32Array(BLOCK);
    this.count = 0;
    this.to = null;
    this.port.onmessage = (event) => {
      this.to = event.data;
    };
  }

  process(inputs) {
    const samples = inputs[0]?.[0];
    if (!samples || !this.to) return true;
    for (let at = 0; at < samples.length;) {
      const part = Math.min(BLOCK - this.count, samples.length - at);
      this.held.set(samples.subarray(at, at + part), this.count);
      this.count += part;
      at += part;
      if (this.count === BLOCK) {
        this.to.postMessage(this.held, [this.held.buffer]);
        this.held = new Float32Array(BLOCK);
        this.count = 0;
      }
    }
    return true;
  }
}

registerProcessor('odontis-hear-samples', HearSamples);
