// What a browser can do to be noticed across a kitchen: tones of its own for a look, for what is due and for danger, and a notice while the page is hidden.

type Tone = "look" | "due" | "danger";
/** Pitch in Hz and beginning in seconds of each short tone. */
const TONES: Readonly<Record<Tone, readonly (readonly [pitch: number, at: number])[]>> = {
  look: [[660, 0]],
  due: [
    [660, 0],
    [880, 0.28],
  ],
  danger: [
    [880, 0],
    [880, 0.24],
    [1180, 0.48],
    [1180, 0.72],
  ],
};
const SECONDS = 0.25;

/** A browser that wants a press before it makes a sound stays silent until there was one. */
export function sound(tone: Tone): void {
  try {
    const audio = new AudioContext();
    for (const [pitch, at] of TONES[tone]) {
      const voice = audio.createOscillator();
      const volume = audio.createGain();
      voice.frequency.value = pitch;
      volume.gain.setValueAtTime(0.25, audio.currentTime + at);
      volume.gain.exponentialRampToValueAtTime(0.001, audio.currentTime + at + SECONDS);
      voice.connect(volume).connect(audio.destination);
      voice.start(audio.currentTime + at);
      voice.stop(audio.currentTime + at + SECONDS);
    }
    setTimeout(() => void audio.close(), 2000);
  } catch {
    // No sound here; the screen says it all the same.
  }
}

/** Asked for at the start of a run, when it is plain what for. */
export function askForNotices(): void {
  if (typeof Notification !== "undefined" && Notification.permission === "default") void Notification.requestPermission();
}

/** A notice outside the page, where it is hidden and the cook has allowed it. */
export function notice(text: string): void {
  if (typeof Notification === "undefined" || Notification.permission !== "granted" || document.visibilityState === "visible") return;
  try {
    new Notification(text);
  } catch {
    // Some phones show none from a page.
  }
}
