import { createContext } from "react";

/** The nonce of this response's content policy; empty in the browser, where scripts are already there. */
export const NonceContext = createContext("");
