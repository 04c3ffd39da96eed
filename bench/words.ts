/**
 * How much there is to read on each main page, and how hard its hardest sentence is. Every disclosure is opened, and what
 * is only said to those who do not see the page counts as well.
 */
import { fleschKincaid } from "flesch-kincaid";
import { syllable } from "syllable";
import type { Page } from "@playwright/test";
import { launchChromium } from "./chromium.ts";

export interface WordFigures {
  page: string;
  words: number;
  /** Flesch–Kincaid grade of the hardest sentence; 0 where there is none */
  grade: number;
  hardest: string;
}

/** A shorter one is a label, and its grade says nothing. */
const SENTENCE_WORDS = 8;

/** The texts of a page, block by block, with the names that only a screen reader says. */
const READ = `(() => {
  for (const d of document.querySelectorAll("details")) d.open = true;
  const blocks = [];
  const own = (e) => {
    const style = getComputedStyle(e);
    return style.display !== "none" && style.visibility !== "hidden" && !e.closest("script, style, template, noscript, pre, .code, code");
  };
  const block = (e) => !getComputedStyle(e).display.startsWith("inline");
  const walk = (e, into) => {
    if (!own(e)) return;
    const mine = block(e) ? [] : into;
    for (const name of ["aria-label", "alt", "title", "placeholder"]) {
      const text = e.getAttribute(name);
      if (text) blocks.push(text);
    }
    for (const node of e.childNodes) {
      if (node.nodeType === Node.TEXT_NODE) mine.push(node.textContent);
      else if (node.nodeType === Node.ELEMENT_NODE) walk(node, mine);
    }
    if (mine !== into) blocks.push(mine.join(""));
  };
  walk(document.querySelector("main") ?? document.body, []);
  return blocks.map((b) => b.replace(/\\s+/g, " ").trim()).filter(Boolean);
})()`;

const wordsOf = (text: string) => text.match(/[\p{L}\p{N}][\p{L}\p{N}'’°½¼¾⅛]*/gu) ?? [];

/** The grade of one sentence. @returns Flesch–Kincaid (1975), school years */
const gradeOf = (sentence: string) =>
  fleschKincaid({ sentence: 1, word: wordsOf(sentence).length, syllable: syllable(sentence) });

async function wordsOn(page: Page, name: string): Promise<WordFigures> {
  const blocks = (await page.evaluate(READ)) as string[];
  const sentences = blocks
    .flatMap((b) => b.split(/(?<=[.!?:;])\s+/))
    // Sources are quoted as they are called.
    .filter((s) => wordsOf(s).length >= SENTENCE_WORDS && !/\bUSDA|\bCFR|Bulletin/.test(s));
  const [hardest, grade] = sentences
    .map((s): [string, number] => [s, gradeOf(s)])
    .reduce((most, next) => (next[1] > most[1] ? next : most), ["", 0]);
  return { page: name, words: blocks.flatMap(wordsOf).length, grade: Math.round(grade * 10) / 10, hardest };
}

/** @param pages addresses, filled in, by their names */
export async function wordFigures(
  url: string,
  pages: readonly [name: string, path: string][],
): Promise<WordFigures[]> {
  const browser = await launchChromium();
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    const figures: WordFigures[] = [];
    for (const [name, path] of pages) {
      await page.goto(url + path, { waitUntil: "load" });
      await page.waitForTimeout(700);
      figures.push(await wordsOn(page, name));
    }
    return figures;
  } finally {
    await browser.close();
  }
}
