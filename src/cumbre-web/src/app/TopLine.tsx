import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import ButtonBase from "@mui/material/ButtonBase";
import Menu from "@mui/material/Menu";
import MenuItem from "@mui/material/MenuItem";
import { useColorScheme } from "@mui/material/styles";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Link } from "react-router";
import { useSetUnit, useSignedIn } from "../shared/account/useMe";
import type { MassUnit } from "../shared/api/types";
import { dayFull } from "../shared/ui/format";
import { KeyCap } from "../shared/ui/KeyCap";
import { useSignOut } from "./useShellCommands";
import { say } from "../words/app";

const cutText = { overflow: "hidden", textOverflow: "ellipsis", whiteSpace: "nowrap", minWidth: 0 } as const;

/** Club, jump, the day, units, theme, account. */
export function TopLine({
  narrow,
  openPalette,
  openHelp,
  openPreferences,
}: {
  narrow: boolean;
  openPalette: () => void;
  openHelp: () => void;
  openPreferences: () => void;
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
          ...cutText,
          maxWidth: 240,
          // The search and the day give way first.
          flexShrink: narrow ? 1 : 0,
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
            minWidth: narrow ? 0 : 170,
            whiteSpace: "nowrap",
            overflow: "hidden",
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
          {narrow ? say("jump") : say("jumpToAnAthleteOrAPlace")}
          {!narrow && (
            <Box sx={{ ml: "auto" }}>
              <KeyCap>{say("ctrlK")}</KeyCap>
            </Box>
          )}
        </ButtonBase>
      )}
      {!narrow && (
        <Box component="span" sx={{ ml: "auto", color: "text.secondary", ...cutText }}>
          {demo ? say("dayOfTheDemo", { day: dayFull(today) }) : dayFull(today)}
        </Box>
      )}
      <ToggleButtonGroup
        exclusive
        size="small"
        aria-label={say("units")}
        value={account.unit}
        onChange={(_, unit: MassUnit | null) => unit && setUnit.mutate(unit)}
        sx={{ ml: narrow ? "auto" : 0 }}
      >
        <ToggleButton value="Kg">{say("kg")}</ToggleButton>
        <ToggleButton value="Lb">{say("lb")}</ToggleButton>
      </ToggleButtonGroup>
      <AccountMenu name={account.name} openHelp={openHelp} openPreferences={openPreferences} />
    </Box>
  );
}

function AccountMenu({
  name,
  openHelp,
  openPreferences,
}: {
  name: string;
  openHelp: () => void;
  openPreferences: () => void;
}) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const { mode, setMode } = useColorScheme();
  const { isOwner } = useSignedIn();
  const signOut = useSignOut();
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
        aria-label={say("accountOf", { initials, name })}
        sx={{ minWidth: 36, px: 1.5 }}
      >
        {initials}
      </Button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={close}>
        <MenuItem disabled>{name}</MenuItem>
        <MenuItem selected={mode === "light"} onClick={choose("light")}>
          {say("light")}
        </MenuItem>
        <MenuItem selected={mode === "dark"} onClick={choose("dark")}>
          {say("dark")}
        </MenuItem>
        <MenuItem selected={mode === "system"} onClick={choose("system")}>
          {say("asTheDevice")}
        </MenuItem>
        <MenuItem component={Link} to="/account" onClick={close}>
          {say("account")}
        </MenuItem>
        {isOwner && (
          <MenuItem component={Link} to="/club" onClick={close}>
            {say("clubPage")}
          </MenuItem>
        )}
        {isOwner && (
          <MenuItem component={Link} to="/people" onClick={close}>
            {say("people")}
          </MenuItem>
        )}
        {isOwner && (
          <MenuItem component={Link} to="/audit" onClick={close}>
            {say("audit")}
          </MenuItem>
        )}
        <MenuItem component={Link} to="/privacy" onClick={close}>
          {say("privacy")}
        </MenuItem>
        <MenuItem component={Link} to="/help" onClick={close}>
          {say("howItWorks")}
        </MenuItem>
        <MenuItem component={Link} to="/glossary" onClick={close}>
          {say("glossaryPage")}
        </MenuItem>
        <MenuItem
          onClick={() => {
            close();
            openPreferences();
          }}
        >
          {say("preferences")}
        </MenuItem>
        <MenuItem
          onClick={() => {
            close();
            openHelp();
          }}
        >
          {say("keys")}
        </MenuItem>
        <MenuItem onClick={() => signOut.mutate()}>{say("signOut")}</MenuItem>
      </Menu>
    </>
  );
}
