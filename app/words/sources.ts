/** A figure a household meets, where it comes from, and what it was held against. */
export interface SourceOfFigure {
  figure: string;
  source: string;
  /** what the program's tests hold it against; null where there is nothing to hold it against */
  checked: string | null;
}

export interface SourceGroup {
  title: string;
  /** what it is looked for by, and the address of its part of the page */
  key: string;
  figures: readonly SourceOfFigure[];
}

const USDA = "USDA Complete Guide to Home Canning, 2015";
const FROM_MEMORY = "Written down from memory.";
const PRACTICE = "Common practice, no published source.";
const AGAIN = "Typed a second time, apart from the table; the two agree.";

const figure = (name: string, source: string, checked: string | null = null): SourceOfFigure => ({
  figure: name,
  source,
  checked,
});

/** Every kind of figure that is shown, with its source. The whole list, with where each stands, is in docs/sources.md. */
export const SOURCE_GROUPS: readonly SourceGroup[] = [
  {
    title: "Process tables",
    key: "tables",
    figures: [
      figure("Process times, packs and headspace for jars", `${USDA}, Guides 4 and 5. ${FROM_MEMORY}`, AGAIN),
      figure("Pressure by altitude", `${USDA}, Guide 5. ${FROM_MEMORY}`, AGAIN),
      figure(
        "Fish in quarts, smoked fish, crab and clams: their own rules",
        `${USDA}, Guide 5. ${FROM_MEMORY}`,
      ),
      figure("Stewed meat, and everything in metal cans", PRACTICE),
      figure("What may not be canned", `${USDA}, Guide 1 and the introductions to 4 and 5. ${FROM_MEMORY}`),
    ],
  },
  {
    title: "Around the process",
    key: "process",
    figures: [
      figure("Venting, and the wait with the weight off", `${USDA}, Guide 1. ${FROM_MEMORY}`),
      figure(
        "A dial gauge: tested every year, replaced when it reads over 1 lb high",
        `${USDA}, Guide 1. ${FROM_MEMORY}`,
      ),
      figure("A dial gauge that reads over 2 lb low is replaced too", PRACTICE),
      figure("How long cooling takes", PRACTICE),
      figure("How often to check the gauge", PRACTICE),
      figure(
        "Temperature of steam at a pressure and an altitude",
        "IAPWS R7-97 for steam; U.S. Standard Atmosphere, 1976.",
        "All figures of the tables printed with IAPWS R7-97, and a second program library.",
      ),
    ],
  },
  {
    title: "Meat and fish before canning",
    key: "before",
    figures: [
      figure("Days in the refrigerator", "USDA cold storage chart. Written down from memory."),
      figure(
        "Hours that meat may be warm; filled jars that wait",
        "USDA food safety advice. Written down from memory.",
      ),
      figure("Fish gutted and iced", `${USDA}, Guide 5. ${FROM_MEMORY}`),
      figure("Game gutted and cooled; aging a whole animal", PRACTICE),
      figure("Dressed weight, boneless meat and trim, until you have your own", PRACTICE),
    ],
  },
  {
    title: "Thawing",
    key: "thawing",
    figures: [
      figure("Thawing by weight", "USDA food safety advice. Written down from memory."),
      figure(
        "Thawing by thickness",
        "Plank’s equation, 1913.",
        "An example worked out in a book, from memory.",
      ),
    ],
  },
  {
    title: "Seals, shelf and eating",
    key: "seals",
    figures: [
      figure("Hours of rest; failed seals and how long they keep", `${USDA}, Guide 1. ${FROM_MEMORY}`),
      figure("What a good seal looks like", `${USDA}, Guide 1. ${FROM_MEMORY}`),
      figure("How much liquid may be lost", PRACTICE),
      figure(
        "Best by a year; boiling before eating; temperature of the shelf",
        `${USDA}, Guide 1. ${FROM_MEMORY}`,
      ),
      figure("Throwing out food that may be bad", `${USDA}, Guide 1. ${FROM_MEMORY}`),
    ],
  },
  {
    title: "Cans and seams",
    key: "seams",
    figures: [
      figure("170 °F at the center of the can; minutes to close it", PRACTICE),
      figure(
        "Overlap of a double seam; names of defects",
        "21 CFR 113.60. Written down from memory.",
        "The formula worked out by hand on seams of known size.",
      ),
      figure("Limits of a seam, until you enter your maker’s", "Typical, written down from memory."),
    ],
  },
  {
    title: "Heat at the center of the jar",
    key: "heat",
    figures: [
      figure(
        "What raw meat and fish are made of: water, fat and the rest",
        "Public food composition tables. Written down from memory.",
        "Indian Food Composition Tables, 2017: 23 kinds. Within two standard deviations, or the difference is explained.",
      ),
      figure(
        "How heat goes through food",
        "Choi and Okos, 1986. Written down from memory.",
        "Worked out two ways, by series and by steps; they agree within 0.1 °C.",
      ),
      figure("What is not known of a jar and a canner", "Assumed. The drawing explains, and never decides."),
    ],
  },
  {
    title: "What you have and what it costs",
    key: "estimates",
    figures: [
      figure("Sizes of jars, cans and canners", "Typical, written down from memory. Measure your own."),
      figure(
        "How many jars fit in a layer",
        "Published tables of circles in a circle.",
        "The best ones known for 1 to 20.",
      ),
      figure("Gas, water and money", "Assumed at first; then your own runs."),
    ],
  },
];
