import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import Typography from "@mui/material/Typography";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, ask, Problem } from "../../shared/api/client";
import { announce } from "../../shared/ui/announce";
import { Field } from "../../shared/ui/Field";
import { QuietButton } from "../../shared/ui/QuietButton";
import { Failed, Loading, messageOf } from "../../shared/ui/states";
import { say } from "../../words/logbook";
import { viewsQuery } from "./queries";

/** Filters that are kept by a name: one is chosen, the present one is kept, one is deleted. */
export function SavedFilters({
  address,
  onChoose,
  onClose,
}: {
  /** Of the present filter; empty: none is set. */
  address: string;
  onChoose: (address: string) => void;
  onClose: () => void;
}) {
  const views = useQuery(viewsQuery);
  const queries = useQueryClient();
  const [name, setName] = useState("");
  const [asked, setAsked] = useState(false);
  const [gone, setGone] = useState<{ name: string; address: string } | null>(null);
  const afterwards = { onSuccess: () => queries.invalidateQueries({ queryKey: viewsQuery.queryKey }) };
  const save = useMutation({
    mutationFn: (view: { name: string; address: string }) => ask(api.PUT("/api/logbook/views", { body: view })),
    onSuccess: () => {
      setName("");
      setAsked(false);
      announce(say("filterSaved"));
      return afterwards.onSuccess();
    },
  });
  const remove = useMutation({
    mutationFn: (gone: string) => ask(api.DELETE("/api/logbook/views/{name}", { params: { path: { name: gone } } })),
    ...afterwards,
  });
  const missing = asked && name.trim() === "";
  const replaces = views.data?.some((v) => v.name === name.trim());
  const problem =
    (missing ? say("nameTheFilter") : undefined) ??
    (save.error instanceof Problem ? save.error.fieldMessage("name") : undefined);
  return (
    <Dialog open onClose={onClose} maxWidth="xs" fullWidth>
      <DialogTitle>{say("savedFilters")}</DialogTitle>
      <DialogContent sx={{ display: "grid", gap: 4 }}>
        {views.isPending && <Loading />}
        {views.isError && <Failed error={views.error} retry={() => void views.refetch()} />}
        {views.data?.length === 0 && <Typography color="textSecondary">{say("noSavedFilter")}</Typography>}
        <Box component="ul" aria-label={say("savedFilters")} sx={{ listStyle: "none", m: 0, p: 0 }}>
          {views.data?.map((v) => (
            <Box component="li" key={v.name} sx={{ display: "flex", gap: 2, borderTop: 1, borderColor: "divider" }}>
              <Button
                variant="text"
                aria-current={v.address === address ? "true" : undefined}
                sx={{ flex: 1, justifyContent: "flex-start", textAlign: "left" }}
                onClick={() => onChoose(v.address)}
              >
                {v.name}
              </Button>
              <Button
                variant="text"
                disabled={remove.isPending}
                aria-label={say("deleteFilter", { name: v.name })}
                onClick={() => remove.mutate(v.name, { onSuccess: () => setGone(v) })}
              >
                {say("delete")}
              </Button>
            </Box>
          ))}
        </Box>
        {gone && (
          <Typography variant="body2" role="status">
            {say("filterDeleted", { name: gone.name })}{" "}
            <QuietButton onClick={() => save.mutate(gone, { onSuccess: () => setGone(null) })}>
              {say("undo")}
            </QuietButton>
          </Typography>
        )}
        {address !== "" && (
          <Box
            component="form"
            noValidate
            aria-label={say("saveFilter")}
            onSubmit={(e) => {
              e.preventDefault();
              setAsked(true);
              if (name.trim() !== "") save.mutate({ name: name.trim(), address });
            }}
            sx={{ display: "flex", gap: 2, alignItems: "start" }}
          >
            <Field
              label={say("filterName")}
              value={name}
              onChange={(e) => setName(e.target.value)}
              problem={problem}
              help={replaces ? say("replaces", { name: name.trim() }) : undefined}
              sx={{ flex: 1 }}
              slotProps={{ htmlInput: { maxLength: 40 } }}
            />
            <Button type="submit" disabled={save.isPending} sx={{ minHeight: 40 }}>
              {say("saveFilter")}
            </Button>
          </Box>
        )}
        {save.isError && !problem && (
          <Typography color="error" role="alert">
            {messageOf(save.error)}
          </Typography>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{say("close")}</Button>
      </DialogActions>
    </Dialog>
  );
}
