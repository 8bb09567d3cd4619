/** A short sound: two notes. A browser that plays none until the page was touched stays silent. */
export function ring(): void {
  if (typeof AudioContext === 'undefined') return;
  const audio = new AudioContext();
  const volume = audio.createGain();
  volume.gain.setValueAtTime(0.15, audio.currentTime);
  volume.gain.exponentialRampToValueAtTime(0.001, audio.currentTime + 0.9);
  volume.connect(audio.destination);
  [660, 880].forEach((frequency, i) => {
    const note = audio.createOscillator();
    note.frequency.value = frequency;
    note.connect(volume);
    note.start(audio.currentTime + i * 0.25);
    note.stop(audio.currentTime + i * 0.25 + 0.5);
  });
  setTimeout(() => void audio.close(), 1_500);
}
