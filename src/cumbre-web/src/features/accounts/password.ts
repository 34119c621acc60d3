import { z } from "zod";
import { say } from "../../words/accounts";

const minimum = 12;

/** A new password; the server decides. */
export const passwordShape = z.string().min(minimum, say("atLeastCharactersASentenceIs", { minimum }));
