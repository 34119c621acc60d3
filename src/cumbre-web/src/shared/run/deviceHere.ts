import { useSyncExternalStore } from "react";
import { api, ask } from "../api/client";
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
    send: (athleteId, body) =>
      ask(api.POST("/api/athletes/{athleteId}/run", { params: { path: { athleteId } }, body })),
  },
  openStore,
);

connection.onReturn(() => device.hurry());

export const useDevice = () => useSyncExternalStore(device.subscribe, device.snapshot);
