import { cornerWords } from "../../shared/quantity";

/** One angle of a printout. */
export interface Angle {
  key: string;
  measure: string;
  place: string;
  title: string;
  says: string;
}

const front = ["LF", "RF"];
const rear = ["LR", "RR"];

/** Angles that a shop reads and sets, as it came and as it left; of a live axle behind there are none to set. */
export function anglesOf(liveBehind: boolean): [Angle, Angle][] {
  const wheels = liveBehind ? front : [...front, ...rear];
  return [
    ...pairs("caster", "casterSet", "Caster", front),
    ...pairs("camberAngle", "camberSet", "Camber", wheels),
    ...pairs("toeAngle", "toeSet", "Toe", wheels),
  ];
}

const pairs = (
  came: string,
  left: string,
  title: string,
  places: readonly string[],
): [Angle, Angle][] =>
  places.map((place) => {
    const one = (measure: string, when: string): Angle => ({
      key: `${measure} ${place}`,
      measure,
      place,
      title,
      says: `${title}, ${(cornerWords[place] ?? place).toLowerCase()}, ${when}`,
    });
    return [one(came, "as it came"), one(left, "as it left")];
  });
