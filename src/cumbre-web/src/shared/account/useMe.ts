import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, ask, isNoAnswer, rememberCsrf } from "../api/client";
import { connection } from "../api/connection";
import type { Me, MassUnit } from "../api/types";
import type { ChosenHabits } from "../../words/habits";
import { keepMe, keptMe } from "./keptMe";

const key = ["me"];

export function useMe() {
  return useQuery({
    queryKey: key,
    queryFn: async ({ signal }) => {
      try {
        const me = await ask(api.GET("/api/me", { signal }));
        rememberCsrf(me.csrfToken);
        keepMe(me);
        return me;
      } catch (error) {
        // Without a signal the device knows who it belongs to.
        const kept = isNoAnswer(error) ? keptMe() : null;
        if (kept) return kept;
        throw error;
      }
    },
    staleTime: 60_000,
  });
}

/** Who is signed in; only below a screen that has checked it. */
export function useSignedIn() {
  const me = useMe().data;
  if (!me?.account) throw new Error("No one is signed in.");
  return {
    account: me.account,
    today: me.today,
    club: me.club ?? "",
    demo: me.demo,
    gauge: me.gauge,
    /** Kept by an earlier version on a device without a signal it is not there. */
    clubFirstDay: me.clubFirstDay ?? null,
    isCoach: me.account.role === "owner" || me.account.role === "coach",
    isOwner: me.account.role === "owner",
    /** Changes what the whole club lives with: an owner, or a coach of all athletes. */
    isClub: me.account.role === "owner" || (me.account.role === "coach" && !me.account.someOnly),
    /** Reads, and writes nothing but a consent. */
    isGuardian: me.account.role === "guardian",
  };
}

export function useUnit(): MassUnit {
  return useMe().data?.account?.unit ?? "Kg";
}

export function useSetUnit() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (unit: MassUnit) => ask(api.PUT("/api/me/unit", { body: { unit } })),
    onMutate: (unit) => {
      queries.setQueryData<Me>(key, (me) => me && { ...me, account: me.account && { ...me.account, unit } });
    },
    onError: () => queries.invalidateQueries({ queryKey: key }),
  });
}

export function useSetHabits() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (body: ChosenHabits) => ask(api.PUT("/api/me/habits", { body })),
    onSuccess: (_, habits) => {
      queries.setQueryData<Me>(key, (me) => me && { ...me, account: me.account && { ...me.account, habits } });
    },
  });
}

/** After a change of who is signed in nothing that was loaded holds any more. */
export function useStartAfresh() {
  const queries = useQueryClient();
  return () => {
    connection.leave();
    return queries.resetQueries();
  };
}
