/* Runs beside the page's own thread: hands on what the microphone hears, a tenth of a second at a time. */
class Recorder extends AudioWorkletProcessor {
  constructor() {
    super();
    this.piece = new Float32Array(Math.round(sampleRate / 10));
    this.filled = 0;
  }

  process([[channel]]) {
    for (const value of channel ?? []) {
      this.piece[this.filled] = value;
      this.filled += 1;
      if (this.filled === this.piece.length) {
        this.port.postMessage(this.piece.slice());
        this.filled = 0;
      }
    }
    return true;
  }
}
registerProcessor('recorder', Recorder);
