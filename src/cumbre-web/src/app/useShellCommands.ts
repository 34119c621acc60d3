import { useColorScheme } from "@mui/material/styles";
import { useMutation } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { useSetUnit, useSignedIn, useStartAfresh } from "../shared/account/useMe";
import { api, arrive, ask, leave } from "../shared/api/client";
import { forgetMe } from "../shared/account/keptMe";
import { device } from "../shared/run/deviceHere";
import { useCommands } from "../shared/keys/commands";
import { say } from "../words/app";

/** Leaves the account on this device, and everything that was loaded for it. */
export function useSignOut() {
  const navigate = useNavigate();
  const startAfresh = useStartAfresh();
  return useMutation({
    mutationFn: async () => {
      // What waits goes out first, or stays for whoever wrote it.
      await device.flush();
      return ask(api.POST("/api/sign-out"));
    },
    onMutate: leave,
    onError: arrive,
    onSuccess: async () => {
      forgetMe();
      await device.leave();
      await navigate("/");
      await startAfresh();
    },
  });
}

/** What can be done on every page. */
export function useShellCommands(openKeys: () => void, openPreferences: () => void) {
  const { account } = useSignedIn();
  const setUnit = useSetUnit();
  const signOut = useSignOut();
  const { mode, setMode } = useColorScheme();
  const theme = (to: "light" | "dark" | "system", label: string) =>
    mode !== to && { id: `theme-${to}`, label, run: () => setMode(to) };
  useCommands([
    theme("dark", say("darkTheme")),
    theme("light", say("lightTheme")),
    theme("system", say("systemTheme")),
    account.unit === "Kg"
      ? { id: "unit", label: say("unitsInPounds"), run: () => setUnit.mutate("Lb") }
      : { id: "unit", label: say("unitsInKilograms"), run: () => setUnit.mutate("Kg") },
    { id: "preferences", label: say("preferences"), run: openPreferences },
    { id: "keys", label: say("keys"), run: openKeys },
    { id: "sign-out", label: say("signOut"), run: () => signOut.mutate() },
  ]);
}
