import { useSyncExternalStore } from "react";
import { api, ask, Problem, rememberCsrf } from "../api/client";
import { connection } from "../api/connection";
import { Device } from "./device";
import { openStore } from "./store";

/** The device that this page runs on. */
export const device = new Device(
  {
    week: (athleteId, signal) =>
      ask(
        api.GET("/api/athletes/{athleteId}/run", {
          params: { path: { athleteId } },
          ...(signal ? { signal } : {}),
        }),
      ),
    send: async (athleteId, body) => {
      const send = () => ask(api.POST("/api/athletes/{athleteId}/run", { params: { path: { athleteId } }, body }));
      try {
        return await send();
      } catch (error) {
        if (!(error instanceof Problem) || error.type !== "urn:cumbre:csrf") throw error;
        // Another sign-in on this device has another token for writes.
        rememberCsrf((await ask(api.GET("/api/me"))).csrfToken);
        return send();
      }
    },
  },
  openStore,
);

connection.onReturn(() => device.hurry());

export const useDevice = () => useSyncExternalStore(device.subscribe, device.snapshot);
