let audio: AudioContext | null = null;

/** A short tone: high for a reading that landed, low for one that is asked about. Silent where there is no sound. */
export function tone(good: boolean): void {
  try {
    audio ??= new AudioContext();
    const [voice, volume] = [audio.createOscillator(), audio.createGain()];
    voice.frequency.value = good ? 880 : 220;
    volume.gain.setValueAtTime(0.12, audio.currentTime);
    volume.gain.exponentialRampToValueAtTime(0.001, audio.currentTime + (good ? 0.09 : 0.3));
    voice.connect(volume).connect(audio.destination);
    voice.start();
    voice.stop(audio.currentTime + 0.35);
  } catch {
    // A bench without a loudspeaker sees the mark.
  }
}
