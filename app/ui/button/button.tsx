import { Slot } from "radix-ui";
import type { ComponentProps } from "react";

type Weight = "do" | "quiet" | "stop" | "bare";
type Size = "tap" | "stove";

const BASE =
  "inline-flex items-center justify-center gap-2 rounded border-2 font-[650] text-center leading-tight no-underline " +
  "cursor-pointer select-none active:translate-y-[2px] aria-disabled:opacity-55 disabled:opacity-55 disabled:cursor-default";

const WEIGHTS: Record<Weight, string> = {
  do: "bg-copper text-on-copper border-copper-ink active:bg-copper-ink",
  quiet: "bg-transparent text-ink border-ink active:bg-ink active:text-paper",
  stop: "bg-transparent text-stop border-stop active:bg-stop active:text-on-stop",
  bare: "bg-transparent text-ink border-transparent underline underline-offset-4 decoration-2 decoration-rule hover:decoration-ink",
};

const SIZES: Record<Size, string> = {
  tap: "min-h-12 px-5 text-[1.06rem]",
  stove: "min-h-[104px] px-3 text-2xl max-sm:min-h-[72px] max-sm:text-xl",
};

export interface ButtonProps extends ComponentProps<"button"> {
  /** `do`: the one thing to do; `quiet`: anything else; `stop`: ends or throws away; `bare`: barely a button */
  weight?: Weight;
  size?: Size;
  /** draws its child (a link) as a button */
  asChild?: boolean;
}

/** The one button. A screen has at most one of weight `do` in sight for the next thing. */
export function Button({ weight = "quiet", size = "tap", asChild, className = "", ...rest }: ButtonProps) {
  const Tag = asChild ? Slot.Root : "button";
  return <Tag className={`${BASE} ${WEIGHTS[weight]} ${SIZES[size]} ${className}`} {...rest} />;
}
