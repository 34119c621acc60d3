import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import ButtonBase from "@mui/material/ButtonBase";
import Menu from "@mui/material/Menu";
import MenuItem from "@mui/material/MenuItem";
import { useColorScheme } from "@mui/material/styles";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import Typography from "@mui/material/Typography";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { useSetUnit, useSignedIn, useStartAfresh } from "../accounts/useMe";
import { api, ask } from "../api/client";
import type { MassUnit } from "../api/types";
import { dayFull } from "./format";
import { KeyCap } from "./KeyCap";

/** Club, jump, the day, units, theme, account. */
export function TopLine({
  narrow,
  openPalette,
  openHelp,
}: {
  narrow: boolean;
  openPalette: () => void;
  openHelp: () => void;
}) {
  const { account, today, club, demo, isCoach } = useSignedIn();
  const setUnit = useSetUnit();
  return (
    <Box
      sx={(t) => ({
        height: 48,
        borderBottom: `1px solid ${t.vars.palette.line2}`,
        display: "flex",
        alignItems: "center",
        px: narrow ? 3 : 6,
        gap: narrow ? 2 : 6,
        fontSize: 13,
        bgcolor: "background.default",
      })}
    >
      <Typography
        sx={{
          fontWeight: 650,
          fontStretch: "112%",
          overflow: "hidden",
          textOverflow: "ellipsis",
          whiteSpace: "nowrap",
          minWidth: 0,
          maxWidth: 240,
        }}
      >
        {club}
      </Typography>
      {isCoach && (
        <ButtonBase
          onClick={openPalette}
          sx={(t) => ({
            height: 32,
            width: narrow ? "auto" : 296,
            pl: 3,
            pr: 2,
            gap: 2,
            justifyContent: "flex-start",
            bgcolor: "background.paper",
            border: `1px solid ${t.vars.palette.line2}`,
            borderRadius: "2px",
            fontSize: 13,
            color: "text.secondary",
          })}
        >
          {narrow ? "Jump" : "Jump to an athlete or a place"}
          {!narrow && (
            <Box sx={{ ml: "auto" }}>
              <KeyCap>Ctrl K</KeyCap>
            </Box>
          )}
        </ButtonBase>
      )}
      {!narrow && (
        <Box component="span" sx={{ ml: "auto", color: "text.secondary", whiteSpace: "nowrap" }}>
          {dayFull(today)}
          {demo && ", demo"}
        </Box>
      )}
      <ToggleButtonGroup
        exclusive
        size="small"
        aria-label="Units"
        value={account.unit}
        onChange={(_, unit: MassUnit | null) => unit && setUnit.mutate(unit)}
        sx={{ ml: narrow ? "auto" : 0 }}
      >
        <ToggleButton value="Kg">kg</ToggleButton>
        <ToggleButton value="Lb">lb</ToggleButton>
      </ToggleButtonGroup>
      <AccountMenu name={account.name} openHelp={openHelp} />
    </Box>
  );
}

function AccountMenu({ name, openHelp }: { name: string; openHelp: () => void }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const { mode, setMode } = useColorScheme();
  const navigate = useNavigate();
  const startAfresh = useStartAfresh();
  const signOut = useMutation({
    mutationFn: () => ask(api.POST("/api/sign-out")),
    onSuccess: async () => {
      await navigate("/");
      await startAfresh();
    },
  });
  const close = () => setAnchor(null);
  const choose = (next: "light" | "dark" | "system") => () => {
    setMode(next);
    close();
  };
  const initials = name
    .split(/\s+/)
    .map((w) => w[0])
    .slice(0, 2)
    .join("");
  return (
    <>
      <Button
        size="small"
        onClick={(e) => setAnchor(e.currentTarget)}
        aria-haspopup="menu"
        aria-expanded={anchor !== null}
        aria-label={`${initials}, account of ${name}`}
        sx={{ minWidth: 36, px: 1.5 }}
      >
        {initials}
      </Button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={close}>
        <MenuItem disabled>{name}</MenuItem>
        <MenuItem selected={mode === "light"} onClick={choose("light")}>
          Light
        </MenuItem>
        <MenuItem selected={mode === "dark"} onClick={choose("dark")}>
          Dark
        </MenuItem>
        <MenuItem selected={mode === "system"} onClick={choose("system")}>
          As the device
        </MenuItem>
        <MenuItem
          onClick={() => {
            close();
            openHelp();
          }}
        >
          Keys
        </MenuItem>
        <MenuItem onClick={() => signOut.mutate()}>Sign out</MenuItem>
      </Menu>
    </>
  );
}
