import type { Shown } from "./length";

const under: Record<string, [string, string]> = {
  "2": ["half", "halves"],
  "4": ["quarter", "quarters"],
  "8": ["eighth", "eighths"],
  "16": ["sixteenth", "sixteenths"],
  "32": ["thirty-second", "thirty-seconds"],
  "64": ["sixty-fourth", "sixty-fourths"],
};

const counted =
  "zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen".split(
    " ",
  );

/** A length as it is called across a bay: what is said this way is read back the same by the tape reader. */
export function called(s: Shown): string {
  const [one, many] = under[s.denominator] ?? ["", ""];
  const n = Number(s.numerator);
  const fraction = s.numerator
    ? n === 1
      ? `${one === "eighth" ? "an" : "a"} ${one}`
      : `${counted[n] ?? s.numerator} ${many}`
    : "";
  const minus = s.sign === "−" || s.sign === "-" ? "minus " : "";
  const length = [s.whole, fraction].filter(Boolean).join(" and ") || "zero";
  return minus + length + (s.unit === "mm" ? " millimetres" : "");
}

/** Says it by the device's own voice; what was being said gives way. */
export function say(words: string) {
  if (!("speechSynthesis" in window)) {
    return;
  }
  const voice = new SpeechSynthesisUtterance(words);
  voice.lang = "en";
  window.speechSynthesis.cancel();
  window.speechSynthesis.speak(voice);
}

/** Whether this device has a voice. */
export const canSay = () => "speechSynthesis" in window;
