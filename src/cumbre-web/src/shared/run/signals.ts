/** Sound, vibration, the hand that holds the phone, and a screen that stays on: chosen on each device. */
export interface Habits {
  sound: boolean;
  vibration: boolean;
  leftHanded: boolean;
}

const key = "cumbre.run";
const usual: Habits = { sound: true, vibration: true, leftHanded: false };

export function readHabits(): Habits {
  try {
    return { ...usual, ...(JSON.parse(localStorage.getItem(key) ?? "{}") as Partial<Habits>) };
  } catch {
    return usual;
  }
}

/** False: the device keeps nothing, and the choice holds for this page alone. */
export function writeHabits(habits: Habits) {
  try {
    localStorage.setItem(key, JSON.stringify(habits));
    return true;
  } catch {
    return false;
  }
}

let audio: AudioContext | null = null;

/** A device lets a page be heard only after somebody has touched it. */
export function unlockSound() {
  try {
    audio ??= new AudioContext();
    void audio.resume();
  } catch {
    audio = null;
  }
}

const tones = {
  beat: { hertz: 660, seconds: 0.06 },
  warn: { hertz: 880, seconds: 0.12 },
  go: { hertz: 1320, seconds: 0.35 },
};

export type Signal = keyof typeof tones;

const shakes: Record<Signal, number[]> = { beat: [20], warn: [80], go: [200, 80, 200] };

/** Heard and felt where the device and its owner allow it; what matters is always on the screen as well. */
export function signal(kind: Signal, habits: Habits) {
  if (habits.vibration) {
    try {
      navigator.vibrate?.(shakes[kind]);
    } catch {
      // A device that does not shake shows it all the same.
    }
  }
  if (!habits.sound || audio?.state !== "running") return;
  const { hertz, seconds } = tones[kind];
  const tone = audio.createOscillator();
  const gain = audio.createGain();
  tone.frequency.value = hertz;
  gain.gain.setValueAtTime(0.2, audio.currentTime);
  gain.gain.exponentialRampToValueAtTime(0.001, audio.currentTime + seconds);
  tone.connect(gain).connect(audio.destination);
  tone.start();
  tone.stop(audio.currentTime + seconds);
}

/** Keeps the screen on until the answer is called; says whether the device does it. */
export function keepAwake(told: (awake: boolean) => void) {
  let lock: WakeLockSentinel | null = null;
  let over = false;
  const take = async () => {
    if (over || document.visibilityState !== "visible") return;
    try {
      lock = await navigator.wakeLock.request("screen");
      told(true);
    } catch {
      told(false);
    }
  };
  const seen = () => void take();
  document.addEventListener("visibilitychange", seen);
  void take();
  return () => {
    over = true;
    document.removeEventListener("visibilitychange", seen);
    void lock?.release();
  };
}
