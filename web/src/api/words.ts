// Made from the core by ./nokko generate.
import type { components } from "./schema";
type Kinds = components["schemas"];
export const stationWords: Record<string, string> = {
  "LF": "left front",
  "RF": "right front",
  "LR": "left rear",
  "RR": "right rear",
  "LM": "left middle",
  "RM": "right middle",
  "sill LF": "left sill, front",
  "sill LR": "left sill, rear",
  "sill RF": "right sill, front",
  "sill RR": "right sill, rear",
  "bumper LF": "left front bumper corner",
  "bumper RF": "right front bumper corner",
  "bumper LR": "left rear bumper corner",
  "bumper RR": "right rear bumper corner"
};
export const partWords: Record<Kinds["PartKind"], { said: string; belowSpring: boolean; offered: boolean }> = {
  "strutTopSpacer": {
    "said": "strut top spacer",
    "belowSpring": false,
    "offered": true
  },
  "coilOver": {
    "said": "whole coil-over",
    "belowSpring": false,
    "offered": true
  },
  "preloadSpacer": {
    "said": "preload spacer",
    "belowSpring": false,
    "offered": true
  },
  "raisedCollar": {
    "said": "raised collar",
    "belowSpring": false,
    "offered": false
  },
  "torsionAdjuster": {
    "said": "turned adjuster",
    "belowSpring": false,
    "offered": false
  },
  "coilSpacer": {
    "said": "coil spacer",
    "belowSpring": false,
    "offered": true
  },
  "coil": {
    "said": "coil spring",
    "belowSpring": false,
    "offered": true
  },
  "airSpring": {
    "said": "air spring",
    "belowSpring": false,
    "offered": true
  },
  "strutLowerSpacer": {
    "said": "strut lower spacer",
    "belowSpring": true,
    "offered": true
  },
  "leafPack": {
    "said": "leaf pack",
    "belowSpring": false,
    "offered": true
  },
  "shackle": {
    "said": "shackle",
    "belowSpring": false,
    "offered": true
  },
  "block": {
    "said": "block",
    "belowSpring": true,
    "offered": true
  },
  "bodyPuck": {
    "said": "body puck",
    "belowSpring": false,
    "offered": true
  },
  "bodyMount": {
    "said": "new body mount",
    "belowSpring": false,
    "offered": true
  },
  "dropBracket": {
    "said": "drop bracket",
    "belowSpring": true,
    "offered": true
  },
  "subframeBlock": {
    "said": "subframe block",
    "belowSpring": false,
    "offered": true
  },
  "diffDrop": {
    "said": "differential drop",
    "belowSpring": true,
    "offered": true
  },
  "bumpStopExtension": {
    "said": "bump-stop extension",
    "belowSpring": false,
    "offered": true
  },
  "shock": {
    "said": "shock",
    "belowSpring": false,
    "offered": true
  },
  "swayBarLink": {
    "said": "sway-bar link",
    "belowSpring": true,
    "offered": true
  },
  "halfShaftSpacer": {
    "said": "half-shaft spacer",
    "belowSpring": true,
    "offered": true
  },
  "trackBar": {
    "said": "track bar",
    "belowSpring": true,
    "offered": true
  },
  "trackBarBracket": {
    "said": "track-bar bracket",
    "belowSpring": true,
    "offered": true
  },
  "upperArm": {
    "said": "upper arm or link",
    "belowSpring": true,
    "offered": true
  },
  "lowerArm": {
    "said": "lower arm or link",
    "belowSpring": true,
    "offered": true
  },
  "upright": {
    "said": "upright",
    "belowSpring": true,
    "offered": true
  },
  "casterBush": {
    "said": "caster bush",
    "belowSpring": true,
    "offered": true
  },
  "axleShim": {
    "said": "axle shim",
    "belowSpring": true,
    "offered": true
  },
  "uBolts": {
    "said": "U-bolts",
    "belowSpring": true,
    "offered": true
  },
  "crossMember": {
    "said": "cross member",
    "belowSpring": true,
    "offered": true
  },
  "steeringDamper": {
    "said": "steering damper",
    "belowSpring": true,
    "offered": true
  },
  "dragLink": {
    "said": "drag link",
    "belowSpring": true,
    "offered": true
  },
  "pitmanArm": {
    "said": "pitman arm",
    "belowSpring": true,
    "offered": true
  },
  "propshaft": {
    "said": "propshaft or carrier bearing",
    "belowSpring": true,
    "offered": true
  },
  "levelSensorLink": {
    "said": "level-sensor link",
    "belowSpring": true,
    "offered": true
  },
  "brakeHose": {
    "said": "brake hose",
    "belowSpring": true,
    "offered": true
  },
  "brakeHoseBracket": {
    "said": "brake-hose bracket",
    "belowSpring": true,
    "offered": true
  },
  "tyre": {
    "said": "tyre",
    "belowSpring": true,
    "offered": true
  },
  "unknown": {
    "said": "unknown part",
    "belowSpring": true,
    "offered": false
  }
};
export const familyWords: Record<Kinds["LiftFamily"], string> = {
  "none": "several kinds at once",
  "spring": "plates, rings and coil-overs",
  "wheel": "what acts at the wheel itself",
  "block": "blocks",
  "shackle": "shackles",
  "adjuster": "turned adjusters",
  "sensor": "sensor links",
  "puck": "body pucks and mounts",
  "tyre": "tyres"
};
export const vehicleWords: Record<Kinds["VehicleKind"], { said: string; bodyKind: Kinds["BodyKind"]; front: Kinds["SuspensionKind"]; rear: Kinds["SuspensionKind"] }> = {
  "pickup": {
    "said": "pickup",
    "bodyKind": "bodyOnFrame",
    "front": "coilOverArm",
    "rear": "leafOverslung"
  },
  "openTop": {
    "said": "open-top 4x4",
    "bodyKind": "bodyOnFrame",
    "front": "coilFourLink",
    "rear": "coilFourLink"
  },
  "wagon": {
    "said": "SUV or wagon",
    "bodyKind": "bodyOnFrame",
    "front": "coilOverArm",
    "rear": "coilFourLink"
  },
  "estate": {
    "said": "estate or car",
    "bodyKind": "unibody",
    "front": "strut",
    "rear": "multiLink"
  },
  "utv": {
    "said": "UTV or cart",
    "bodyKind": "bodyOnFrame",
    "front": "coilOverArm",
    "rear": "trailingArm"
  }
};
export const suspensionEnds: Record<Kinds["SuspensionKind"], { above: string; below: string; spring: "leaf" | "coil" | "bar" }> = {
  "coilOverArm": {
    "above": "body, tower",
    "below": "lower arm",
    "spring": "coil"
  },
  "strut": {
    "above": "body, tower",
    "below": "upright",
    "spring": "coil"
  },
  "multiLink": {
    "above": "body",
    "below": "link",
    "spring": "coil"
  },
  "transverseLeaf": {
    "above": "frame",
    "below": "arm",
    "spring": "leaf"
  },
  "torsionBarArm": {
    "above": "frame",
    "below": "lower arm",
    "spring": "bar"
  },
  "trailingArm": {
    "above": "frame",
    "below": "trailing arm",
    "spring": "coil"
  },
  "coilFourLink": {
    "above": "frame",
    "below": "axle",
    "spring": "coil"
  },
  "coilRadiusArm": {
    "above": "frame",
    "below": "axle",
    "spring": "coil"
  },
  "coilOverAxle": {
    "above": "frame",
    "below": "axle",
    "spring": "coil"
  },
  "leafOverslung": {
    "above": "frame",
    "below": "axle",
    "spring": "leaf"
  },
  "leafUnderslung": {
    "above": "frame",
    "below": "axle, above it",
    "spring": "leaf"
  }
};
export const jointWords: Record<Kinds["JointKind"], { said: string; lookedAt: boolean }> = {
  "bondedRubber": {
    "said": "bonded rubber: final at ride height only",
    "lookedAt": false
  },
  "ball": {
    "said": "ball joint: may be final hanging; a castle nut goes forward to the next hole, never back",
    "lookedAt": false
  },
  "clamped": {
    "said": "clamped faces: may be final hanging",
    "lookedAt": false
  },
  "wheel": {
    "said": "wheel: final on the ground, criss-cross",
    "lookedAt": false
  },
  "uBolt": {
    "said": "U-bolts: final with the axle loaded, criss-cross in steps",
    "lookedAt": false
  },
  "studPlate": {
    "said": "stud plate: may be final hanging, in even rounds",
    "lookedAt": false
  },
  "plainBolt": {
    "said": "plain bolt: may be final hanging",
    "lookedAt": false
  },
  "springEye": {
    "said": "spring eye in rubber: final at ride height only",
    "lookedAt": false
  },
  "splinedClamp": {
    "said": "clamp on splines: may be final hanging",
    "lookedAt": false
  },
  "axleNut": {
    "said": "axle nut: final before its bearing carries",
    "lookedAt": false
  },
  "centreNut": {
    "said": "centre nut: final while the coil is held",
    "lookedAt": false
  },
  "pinchBolt": {
    "said": "pinch bolts: may be final hanging",
    "lookedAt": false
  },
  "caliperBolts": {
    "said": "caliper bolts: may be final hanging",
    "lookedAt": false
  },
  "union": {
    "said": "hydraulic union: final, bled and dry before it moves",
    "lookedAt": false
  },
  "rodEnd": {
    "said": "rod end with its jam nut: may be final hanging",
    "lookedAt": false
  },
  "cushion": {
    "said": "cushion: final with its member's weight on it",
    "lookedAt": false
  },
  "swayBarLink": {
    "said": "sway-bar link: both sides together at ride height",
    "lookedAt": false
  },
  "seat": {
    "said": "seat: looked at, both ends, again at ride height",
    "lookedAt": true
  },
  "plug": {
    "said": "threaded plug: may be final hanging",
    "lookedAt": false
  },
  "bracket": {
    "said": "bracket or clip: looked at, nothing pulls or chafes",
    "lookedAt": true
  }
};
export const leftOpen: string = "Left open, without a final pass.";
export const secondEyes: string = "vehicle/second-eyes";
export const restHours: number = 8;
