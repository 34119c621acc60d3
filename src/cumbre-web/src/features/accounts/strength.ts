import { ZxcvbnFactory } from "@zxcvbn-ts/core";
import { adjacencyGraphs, dictionary } from "@zxcvbn-ts/language-common";

const estimator = new ZxcvbnFactory({ dictionary, graphs: adjacencyGraphs });

/** How hard a password is to guess, from 0 to 4. The server decides what it takes. */
export const strengthOf = (password: string) => estimator.check(password).score;
