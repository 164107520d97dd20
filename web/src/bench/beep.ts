let audio: AudioContext | undefined;

/** Three short tones; silent where the browser has no sound or has not been touched yet. */
export function beep(): void {
  try {
    audio ??= new AudioContext();
    for (const [i, delay] of [0, 0.28, 0.56].entries()) {
      const tone = audio.createOscillator();
      const gain = audio.createGain();
      tone.frequency.value = i === 2 ? 1175 : 880;
      gain.gain.setValueAtTime(0.18, audio.currentTime + delay);
      gain.gain.exponentialRampToValueAtTime(0.001, audio.currentTime + delay + 0.22);
      tone.connect(gain).connect(audio.destination);
      tone.start(audio.currentTime + delay);
      tone.stop(audio.currentTime + delay + 0.24);
    }
  } catch {
    // No sound here; the digits on the screen turn over all the same.
  }
}
