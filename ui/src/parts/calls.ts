/** How this device calls: sounds that the browser makes itself, a flash, a notice. Kept on the device. */
export interface Calling {
  act: Tone; // somebody must do something now
  know: Tone; // good to know
  flash: boolean;
  notices: boolean;
}

export const tones = ["off", "bell", "chime", "knock"] as const;
export type Tone = (typeof tones)[number];

const name = "calls";
const usual: Calling = { act: "bell", know: "chime", flash: true, notices: false };

export function calling(): Calling {
  try {
    return { ...usual, ...(JSON.parse(localStorage.getItem(name) ?? "{}") as Partial<Calling>) };
  } catch {
    return usual;
  }
}

export const setCalling = (part: Partial<Calling>) => localStorage.setItem(name, JSON.stringify({ ...calling(), ...part }));

// Each tone as notes: pitch in Hz, when it begins and how long it lasts, in seconds.
const notes: Record<Exclude<Tone, "off">, [number, number, number][]> = {
  bell: [
    [880, 0, 0.25],
    [1174, 0.25, 0.25],
    [1568, 0.5, 0.6],
  ],
  chime: [
    [523, 0, 0.5],
    [659, 0.2, 0.7],
  ],
  knock: [
    [196, 0, 0.08],
    [196, 0.18, 0.08],
    [196, 0.36, 0.12],
  ],
};

const rounds = { act: 3, know: 1 } as const; // what must be done is called three times
const apart = 1.4; // seconds

let audio: AudioContext | undefined;

/** Sounds a call. Before the first touch of a page its browser lets nothing be heard. */
export function ring(what: keyof typeof rounds, tone: Tone = calling()[what]) {
  if (tone === "off" || typeof AudioContext === "undefined") return;
  audio ??= new AudioContext();
  void audio.resume();
  for (let round = 0; round < rounds[what]; round++) {
    for (const [pitch, begins, lasts] of notes[tone]) {
      const at = audio.currentTime + round * apart + begins;
      const voice = audio.createOscillator();
      const loud = audio.createGain();
      voice.frequency.value = pitch;
      loud.gain.setValueAtTime(0.001, at);
      loud.gain.exponentialRampToValueAtTime(0.4, at + 0.02);
      loud.gain.exponentialRampToValueAtTime(0.001, at + lasts);
      voice.connect(loud).connect(audio.destination);
      voice.start(at);
      voice.stop(at + lasts + 0.05);
    }
  }
}

export const canNotice = () => "Notification" in window && window.isSecureContext;

/** A notice of the system, where it is wanted and allowed. */
export function notice(title: string, body: string) {
  if (!calling().notices || !canNotice() || Notification.permission !== "granted") return;
  const sent = new Notification(title, { body, tag: body, requireInteraction: true });
  sent.addEventListener("click", () => window.focus());
}
