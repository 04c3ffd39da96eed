import { smoothFigures } from "./smooth.ts";
console.log(JSON.stringify(await smoothFigures("http://127.0.0.1:4780", "/tmp/p20")));
