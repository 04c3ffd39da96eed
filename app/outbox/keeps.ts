import { useEffect, useState } from "react";
import { canKeep } from "./entries";

/** Whether this browser keeps what is pressed beyond the page: tried once for each page; true until it is known better. */
export function useKeeps(): boolean {
  const [keeps, setKeeps] = useState(true);
  useEffect(() => void canKeep().then(setKeeps), []);
  return keeps;
}
