import { describe, expect, test } from "vitest";
import { dishRow, readIngredients, type Dish } from "./index.ts";

/**
 * Dishes as people write them, with what the published directions say of each; put down before it was asked of the
 * program. After the last bar: the row (`stew`, `soup`, `chilli`, `broth`, `sea`), `no` with the refusal it falls under,
 * `ask` with what nobody knows, or `dry`, `only` and `not` for a dish that is none of its kind.
 *
 * Source: USDA Complete Guide to Home Canning 2015, Guides 4 and 5, from memory. Stew by its meat's time is common
 * practice, no source.
 */
const WRITTEN = `
stew | 3 lb venison / 2 lb carrots / 1 qt broth | stew
stew | 3 lb venison, cubed / 2 lb potatoes / 2 onions / 5 cups broth | stew
stew | 2 kg boar / 1 kg carrots / 1.5 l stock | stew
stew | 4 lb elk / 1 lb mushrooms / 1 qt water / salt | stew
stew | 4 lb moose / 3 carrots / 2 celery stalks / 1 qt beef broth / 2 bay leaves | stew
stew | 5 lb bear / 2 lb turnips / 2 qt broth | stew
stew | 3 lb rabbit / 1 lb carrots / 3 cups chicken stock | stew
stew | 3 lb hare / 1 onion / 1 qt red wine / juniper | stew
stew | 2 lb grouse / 1 lb peas / 1 qt broth | stew
stew | 2 lb duck / 1 lb parsnips / 1 qt broth | stew
stew | 3 lb pronghorn / 2 lb potatoes / 1 qt tomato juice | stew
stew | 3 lb venison / 1 qt crushed tomatoes | stew
stew | 3 lb venison / 1 lb butternut squash / 1 qt broth | stew
stew | 3 lb venison / 1 lb green beans / 1 qt broth | stew
stew | 3 lb venison / 1 lb sweetcorn / 1 qt broth | stew
stew | 3 lb venison / 1 lb kale / 1 qt broth | stew
stew | 3 lb venison / 1 lb okra / 1 qt broth | stew
stew | 3 lb venison / 1 lb beets / 1 qt broth | stew
stew | 3 lb venison / 2 leeks / 1 lb carrots / 1 qt broth | ask leeks
stew | 3 lb venison / 4 garlic cloves / 1 qt broth / 1 tsp thyme | stew
stew | 1 lb mutton / 1 lb potatoes / 3 cups water | stew
stew | 6 lb boar sausage / 2 qt broth | stew
stew | 3 lb venison mince / 1 lb carrots / 1 qt broth | stew
stew | 3 lb goose / 1 lb swede / 1 qt cider | stew
stew | 3 lb pheasant / ½ lb shallots / 1 qt broth | stew
stew | 3 lb venison / 1/2 onion / 3 cups broth | stew
stew | 3 lb venison / 1 1/2 onions / 3 cups broth | stew
stew | 3 lb venison / 2 cups dry beans / 1 qt broth | stew
stew | 3 lb venison / 1 lb skirret (vegetable) / 1 qt broth | stew
stew | 3 lb venison / 1 lb skirret / 1 qt broth | ask skirret
stew | 3 lb venison / 1 lb carrots | dry
stew | 3 lb venison | dry
stew | 2 lb carrots / 1 qt broth | not
stew | 2 lb beans / 1 qt broth | not
stew | 3 lb pike / 1 qt broth | not
stew | 3 lb venison / 1 lb trout / 1 qt broth | not
stew | 3 lb venison / 1/2 cup flour / 1 qt broth | no flour
stew | 3 lb venison / 2 tbsp cornstarch / 1 qt broth | no starch
stew | 3 lb venison / 1 cup rice / 1 qt broth | no rice
stew | 3 lb venison / 1 cup wild rice / 1 qt broth | no rice
stew | 3 lb venison / 1 cup pearl barley / 1 qt broth | no barley
stew | 3 lb venison / 1 cup egg noodles / 1 qt broth | no noodles
stew | 3 lb venison / 1 lb dumplings / 1 qt broth | no bread
stew | 3 lb venison / 1 cup sour cream / 1 qt broth | no dairy
stew | 3 lb venison / 1 cup heavy cream / 1 qt broth | no dairy
stew | 3 lb venison / 1 cup milk / 1 qt broth | no dairy
stew | 3 lb venison / 2 tbsp butter / 1 qt broth | no butter
stew | 3 lb venison / 2 tbsp olive oil / 1 qt broth | no butter
stew | 3 lb venison / 1/2 lb bacon / 1 qt broth | no fatty
stew | 3 lb venison / 1/2 lb salt pork belly / 1 qt broth | no fatty
stew | 3 lb venison / 1/2 lb lard / 1 qt broth | no fatty
stew | 3 lb venison / 1 lb mashed potatoes / 1 qt broth | no mashed
stew | 3 lb venison / 1 cup instant potato flakes / 1 qt broth | no mashed
stew | 3 lb venison / 1 lb refried beans / 1 qt broth | no mashed
stew | 3 lb venison / 1 lb pureed pumpkin / 1 qt broth | no mashed
stew | 3 lb venison / 1 lb puréed carrots / 1 qt broth | no mashed
stew | 3 lb venison / 1 lb squash puree / 1 qt broth | no pate
stew | 3 lb venison / 1 packet gravy / 1 qt broth | no gravy
stew | 3 lb venison / 1 lb smoked ham / 1 qt broth | no cured
stew | 3 lb venison / 1 lb cured pork / 1 qt broth | no cured
stew | 3 lb corned beef / 1 qt broth | no cured
stew | 3 lb venison / 1/2 lb chorizo / 1 qt broth | no cured
stew | 3 lb venison / 1 lb smoked sausage / 1 qt broth | no cured
stew | 3 lb venison / 1 lb pepperoni / 1 qt broth | no cured
stew | 3 lb venison jerky / 1 qt broth | no jerky
stew | 3 lb venison / 1 lb venison liver / 1 qt broth | no organs
stew | 3 lb venison / 1 deer heart / 1 qt broth | no organs
stew | 3 lb venison / 2 eggs / 1 qt broth | no eggs
stew | 3 lb venison / 1 tsp pink curing salt / 1 qt broth | no curing-salt
stew | 3 lb venison / 1 tsp saltpeter / 1 qt broth | no curing-salt
stew | 3 lb venison / 1 cup breadcrumbs / 1 qt broth | no bread
stew | 3 lb venison / 1 cup stuffing / 1 qt broth | no stuffing
stew | 3 lb venison / 2 tbsp tapioca / 1 qt broth | no starch
stew | 3 lb venison / 1 tsp xanthan gum / 1 qt broth | no starch
stew | 3 lb venison / 1 tsp filé / 1 qt broth | no starch
stew | 3 lb venison / 1 cup oatmeal / 1 qt broth | no barley
stew | 3 lb venison / 1 cup couscous / 1 qt broth | no noodles
stew | 3 lb venison / 1 cup quinoa / 1 qt broth | no rice
stew | 3 lb venison / 1 cup polenta / 1 qt broth | no flour
stew | 3 lb venison / 1 lb egg noodles / 1 cup flour / 1 qt broth | no noodles
stew | 3 lb venison / eggplant / 1 qt broth | ask eggplant
stew | 3 lb venison / carrots / 1 qt broth | ask carrots
stew | venison / 1 lb carrots / 1 qt broth | ask venison
stew | 3 lb venison / broth | ask broth
stew | 3 lb venison / 1 lb butter beans / 1 qt broth | stew
stew | 3 lb venison / 1 lb chickpeas / 1 qt broth | stew
stew | 3 lb venison / 1 lb pumpkin, cubed / 1 qt broth | stew
stew | 3 lb venison / 1 lb bell peppers / 1 qt broth | stew
stew | 3 lb venison / 1 lb rutabaga / 1 qt broth / pepper | stew
stew | 3 lb venison / 1 lb spinach / 1 qt broth | stew
stew | 3 lb venison / 1 qt beer / 2 tbsp mustard | stew
stew | 2 kg hjort / 1 l broth | ask hjort
soup | 2 lb hare / 1 lb carrots / 3 qt broth | soup
soup | 1 lb venison / 1 lb potatoes / 2 qt water | soup
soup | 2 lb carrots / 1 lb celery / 2 qt broth | soup
soup | 1 lb chicken / 1 lb corn / 2 qt stock | soup
soup | 1 lb turkey / 2 carrots / 2 celery ribs / 2 qt broth / parsley | soup
soup | 1 lb lentils / 2 carrots / 2 qt water | soup
soup | 1 lb kidney beans / 1 onion / 2 qt water | soup
soup | 1 lb black-eyed peas / 2 qt water | soup
soup | 1 lb split peas / 2 qt broth | soup
soup | 2 lb tomatoes / 1 onion / 1 qt tomato juice | soup
soup | 2 qt crushed tomatoes / 1 lb boar | soup
soup | 1 lb goose / 1 lb kale / 2 qt broth | soup
soup | 2 lb beets / 1 qt broth / dill | soup
soup | 1 lb elk / 1 lb turnips / 1 lb parsnips / 2 qt broth | soup
soup | 1 lb boar / 1 lb okra / 2 qt broth | soup
soup | 1 lb rabbit / 1 lb mushrooms / 2 qt broth | soup
soup | 2 lb pumpkin / 1 qt broth / ginger | soup
soup | 1 lb quail / 1 lb peas / 2 qt broth | soup
soup | 1 lb venison / 1 lb potatoes | dry
soup | 2 qt broth / salt | only
soup | 2 qt water | only
soup | 1 lb pike / 1 lb potatoes / 2 qt water | sea
soup | 1 lb trout / 1 lb carrots / 1 qt broth | sea
soup | 1 lb salmon / 1 lb corn / 1 qt broth | sea
soup | 1 lb clams / 1 lb potatoes / 1 qt water | sea
soup | 1 lb crab / 1 lb celery / 1 qt broth | sea
soup | 1 lb shrimp / 1 lb okra / 1 qt broth | sea
soup | 1 lb venison / 1 oyster / 1 qt broth | ask oyster
soup | 1 lb venison / 1 lb oysters / 1 qt broth | sea
soup | 1 lb chicken / 4 oz fish / 2 qt broth | sea
soup | 1 lb walleye / 1 qt milk | no dairy
soup | 1 lb clams / 1 lb potatoes / 1 qt cream | no dairy
soup | 1 lb chicken / 1/2 lb noodles / 2 qt broth | no noodles
soup | 1 lb chicken / 1/2 lb vermicelli / 2 qt broth | no noodles
soup | 1 lb chicken / 1 cup macaroni / 2 qt broth | no noodles
soup | 1 lb chicken / 1 cup spaghetti / 2 qt broth | no noodles
soup | 1 lb chicken / 1 cup ramen / 2 qt broth | no noodles
soup | 1 lb turkey / 1 cup rice / 2 qt broth | no rice
soup | 1 lb turkey / 1 cup barley / 2 qt broth | no barley
soup | 1 lb turkey / 1 cup farro / 2 qt broth | no barley
soup | 1 lb turkey / 1 can cream of mushroom / 2 qt broth | no dairy
soup | 1 lb potatoes / 1 cup cheddar / 1 qt broth | no dairy
soup | 1 lb potatoes / 1 cup half and half / 1 qt broth | no dairy
soup | 1 lb potatoes / 1 cup coconut milk / 1 qt broth | no dairy
soup | 2 lb mashed squash / 1 qt broth | no mashed
soup | 2 lb pumpkin purée / 1 qt broth | no pate
soup | 1 lb split peas / 1 ham hock / 2 qt water | no cured
soup | 1 lb split peas / 1 lb cured ham / 2 qt water | no cured
soup | 1 lb beans / 1/4 lb bacon / 2 qt water | no fatty
soup | 1 lb turkey / 1 lb giblets / 2 qt broth | no organs
soup | 1 lb turkey gizzards / 2 qt broth | no organs
soup | 1 lb chicken / 2 tbsp arrowroot / 1 qt broth | no starch
soup | 1 lb chicken / 1 packet clear jel / 1 qt broth | no starch
soup | 1 lb chicken / 1 cup crackers / 1 qt broth | no bread
soup | 1 lb chicken / 1 lb tortilla strips / 1 qt broth | no bread
soup | 1 lb chicken / 2 egg yolks / 1 qt broth | no eggs
soup | 1 lb venison / 1 lb nettles / 1 qt broth | ask nettles
soup | 1 lb venison / 1 lb wild garlic / 1 qt broth | soup
soup | 1 lb venison / 1 lb rice flour / 1 qt broth | no flour
soup | 1 lb fish roe / 1 qt broth | no organs
soup | 1 lb venison / 2 tbsp roux / 1 qt broth | no gravy
soup | 1 lb venison / ½ cup ghee / 1 qt broth | no butter
soup | 1 lb salami / 1 qt broth | no jerky
soup | 1 lb hot dogs / 1 qt broth | no cured
soup | 1 lb pastrami / 1 qt broth | no cured
chilli | 3 kg venison / 1 kg kidney beans / 2 l tomato juice | chilli
chilli | 3 lb ground venison / 2 lb beans / 1 qt crushed tomatoes | chilli
chilli | 3 lb boar / 2 lb pinto beans / 1 qt crushed tomatoes / 2 tbsp chili powder | chilli
chilli | 3 lb elk / 1 lb black beans / 1 qt diced tomatoes / 2 onions / cumin | chilli
chilli | 3 lb venison / 2 lb kidney beans / 2 bell peppers / 1 qt tomato juice | chilli
chilli | 3 lb venison / 2 lb beans / 1 qt water | chilli
chilli | 3 lb venison / 2 lb beans / 2 lb tomatoes | dry
chilli | 3 lb venison / 2 lb beans | dry
chilli | 3 lb venison / 1 qt crushed tomatoes | not
chilli | 2 lb beans / 1 qt crushed tomatoes | not
chilli | 3 lb turkey / 2 lb beans / 1 qt crushed tomatoes | not
chilli | 3 lb trout / 2 lb beans / 1 qt tomato juice | not
chilli | 3 lb venison / 2 lb beans / 1 lb shrimp / 1 qt tomato juice | not
chilli | 3 lb venison / 2 lb refried beans / 1 qt tomato juice | no mashed
chilli | 3 lb venison / 2 lb beans / 1/2 cup masa / 1 qt tomato juice | no flour
chilli | 3 lb venison / 2 lb beans / 1/2 cup cornmeal / 1 qt tomato juice | no flour
chilli | 3 lb venison / 2 lb beans / 1 cup cheese / 1 qt tomato juice | no dairy
chilli | 3 lb venison / 2 lb beans / 1 lb bacon / 1 qt tomato juice | no fatty
chilli | 3 lb venison / 2 lb beans / 1 lb macaroni / 1 qt tomato juice | no noodles
chilli | 3 lb venison / 2 lb beans / 1 lb corned beef / 1 qt tomato juice | no cured
chilli | 3 lb venison / 2 lb beans / 2 tbsp oil / 1 qt tomato juice | no butter
chilli | 3 lb venison / 2 lb beans / 1 qt beer / 1 tsp oregano | chilli
chilli | 3 lb pork / 2 lb beans / 1 qt stewed tomatoes | chilli
chilli | 3 lb venison / 2 lb beans / 1 lb jicama / 1 qt tomato juice | ask jicama
broth | 4 qt broth | broth
broth | 4 l stock / salt | broth
broth | 4 qt chicken stock / thyme / bay | broth
broth | 4 qt water / 2 tbsp vinegar | broth
broth | 4 qt broth / 1 lb carrots | not
broth | 4 qt broth / 1 lb venison | not
broth | 4 qt broth / 1 cup noodles | no noodles
broth | 4 qt broth / 1 cup cream | no dairy
broth | 4 qt broth / 1 tbsp cornstarch | no starch
broth | 4 qt broth / 1 lb beans | not
broth | 4 qt broth / 1 tbsp gelatin | no starch
broth | 4 qt fish stock | not
broth | 4 qt turkey broth / 4 garlic cloves | broth
broth | 3 qt beef bouillon | broth
soup | 1 lb potatoes / 2 qt fish stock | sea
soup | 1 lb corn / 2 qt seafood stock | sea
stew | 3 lb venison / 1 qt fish broth | not
stew | 3 lb venison / 1 lb carrots / 1 qt vegetable stock | stew
soup | 2 lb duck / 1 qt duck stock / 1 lb peas | soup
chilli | 3 lb venison / 2 lb beans / 1 qt turkey stock | chilli
broth | salt | dry
`;

const ROWS = {
  stew: "stewed-meat",
  soup: "soup",
  chilli: "chile-con-carne",
  broth: "broth",
  sea: "soup-seafood",
} as const;

const table = WRITTEN.trim()
  .split("\n")
  .map((line) => line.split(" | ") as [Dish, string, string]);

describe("dishes as people write them", () => {
  test("there are two hundred of them, each once", () => {
    expect(table.length).toBeGreaterThanOrEqual(200);
    expect(new Set(table.map(([dish, lines]) => `${dish} ${lines}`)).size).toBe(table.length);
  });
  test.each(table)("%s: %s: %s", (dish, lines, verdict) => {
    const answer = dishRow(dish, readIngredients(lines.replaceAll(" / ", "\n"), "us"));
    const [what = "", about = ""] = verdict.split(" ");
    if (what in ROWS) {
      expect(answer.refusals).toEqual([]);
      expect(answer.product).toBe(ROWS[what as keyof typeof ROWS]);
      return;
    }
    expect(answer.product).toBeNull();
    const reasons = answer.refusals.map((r) => r.reason).join(" ");
    expect(answer.refusals.every((r) => r.instead.length > 0)).toBe(true);
    if (what === "no") expect(answer.each.map((i) => i.kind?.refusal)).toContain(about);
    if (what === "ask") expect(reasons.toLowerCase()).toContain(about);
    if (what === "dry") expect(reasons).toMatch(/no liquid/);
    if (what === "only") expect(reasons).toMatch(/only liquid/);
    if (what === "not") {
      expect(answer.refusals).toHaveLength(1);
      expect(answer.refusals[0]!.ingredient).toBeNull();
    }
  });
});
