/** Eight things that go wrong, as one sees them: what is behind each, what to look at first, and the one thing to change. Common practice, no source. */

export const SYMPTOMS = ["soft", "soft-in-places", "cracked", "warped", "tip-snapped", "scale-and-pits", "too-brittle", "spots"] as const;
export type Symptom = (typeof SYMPTOMS)[number];

/** Where a symptom leads: to the files, to what became of it, to the bench. */
export type SymptomWay = "files" | "bench" | "none";

interface SymptomWords {
  readonly name: string;
  readonly behind: string;
  readonly look: string;
  readonly change: string;
  readonly way: SymptomWay;
}

export const SYMPTOM_WORDS: Readonly<Record<Symptom, SymptomWords>> = {
  soft: {
    name: "Soft",
    behind: "Most often not hot enough or not long enough; then a slow or cold bath, a slow way to it; often only the skin.",
    look: "Grind a little through the skin, and file again. Cold: it hardens until it is.",
    change: "If it is soft below the skin: harden once more, a shade hotter or longer. The same bath.",
    way: "files",
  },
  "soft-in-places": {
    name: "Soft in places",
    behind: "Uneven heat, a place the tongs or scale kept from the bath, one that touched the side, vapour that hung on.",
    look: "File thin and thick, and where the tongs held it. Mark what is soft.",
    change: "Heat it evenly, hold it elsewhere, and keep it moving along its edge.",
    way: "files",
  },
  cracked: {
    name: "Cracked",
    behind: "Too fast a bath for the shape, a sharp corner or scratch, too hot, or left lying untempered.",
    look: "The break, if it opens: fine and grey was the bath or the shape, coarse and bright was the heat.",
    change: "It is not saved. The next one: corners round, oil for water, into the temper at once.",
    way: "bench",
  },
  warped: {
    name: "Warped",
    behind: "Uneven heat or thickness, stresses from the hammer, sideways movement in the bath, one side that cooled first.",
    look: "Sight it along a straight edge: how far, over how much.",
    change: "Now: in a jig, in the temper. The next one: normalise, and in straight down.",
    way: "bench",
  },
  "tip-snapped": {
    name: "The tip snapped",
    behind: "Thin there and so the hottest: coarse grain; or no temper yet.",
    look: "The break: coarse and glittering, or fine.",
    change: "Heat the point last, and draw it further than the rest.",
    way: "none",
  },
  "scale-and-pits": {
    name: "Scale and pits",
    behind: "A lean fire, too long, too hot, too often.",
    look: "Flame at the mouth: a soft yellow one leaves less air. Measure what is left of the thickness.",
    change: "A richer flame and fewer, shorter heats; leave more to grind. Vinegar takes scale off.",
    way: "none",
  },
  "too-brittle": {
    name: "Too brittle",
    behind: "Tempered too cool or too short, the oven colder than it says, coarse grain, or a temper in the dip of toughness.",
    look: "A thermometer in the oven; then the edge over a brass rod.",
    change: "One more temper, a little hotter. It cannot be undone, so not more at once.",
    way: "files",
  },
  spots: {
    name: "Spots and streaks",
    behind: "Scale, oil or clay that lay on it; carbon lost in the fire; on clean steel the grain of a weld or a wrought bar.",
    look: "Grind one of them: a spot that goes was skin.",
    change: "Clean before the fire, and leave a little more on each face to grind off.",
    way: "files",
  },
};
