import { describeInterface, type Operation } from "./description";
import { json } from "./problem";

/** What is said for reading only, and is no part of OpenAPI. */
function bare({ example: _example, parameters, ...rest }: Operation): object {
  return { ...rest, ...(parameters && { parameters: parameters.map(({ words: _words, ...p }) => p) }) };
}

/** The description of this interface, made from the schemas that check it. */
export function loader() {
  const { paths, ...rest } = describeInterface();
  const plain = Object.entries(paths).map(([path, ways]) => [
    path,
    Object.fromEntries(Object.entries(ways).map(([method, o]) => [method, bare(o)])),
  ]);
  return json({ ...rest, paths: Object.fromEntries(plain) as object });
}
