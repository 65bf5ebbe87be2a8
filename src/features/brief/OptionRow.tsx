import { Box } from "@chakra-ui/react";
import { useState } from "react";
import { addedParts } from "@/core/catalogue/prices";
import { ANY_NUMBER } from "@/core/brief/breaks";
import { counted } from "@/core/words";
import { changeWish } from "@/core/edits/wish";
import { edit } from "@/store/bench";
import { PlainButton } from "@/ui/pieces/buttons";
import type { BriefAnswer } from "@/workers/planningTasks";

interface OptionRowProps {
  answer: BriefAnswer;
  rank: number;
  isChosen: boolean;
  onChoose: () => void;
}

const cell = { padding: "7px 8px", verticalAlign: "top", borderTop: "1px solid var(--edge)" } as const;
const value = {
  ...cell,
  textAlign: "right",
  fontFamily: "'Atkinson Hyperlegible Mono Variable', monospace",
  whiteSpace: "nowrap",
} as const;

const still = (n: number, noun: string) => (n >= ANY_NUMBER ? `any number of ${noun}s` : counted(n, noun));

const roomWords = ({ roomLeft: room }: BriefAnswer) =>
  room &&
  `Still takes ${still(room.keys, "key")}, or ${still(room.encoders, "encoder")}, or ${still(room.pots, "analog input")} more.`;

/** One plan: what it is, why it stands there, what breaks it; opened, its pins and parts. */
export function OptionRow({ answer, rank, isChosen, onChoose }: OptionRowProps) {
  const [isOpen, setOpen] = useState(false);
  const { profile, title, shape, reason, certainty, change, fits, unmet } = answer;
  const works = fits && unmet.length === 0;
  return (
    <>
      <tr style={{ background: isChosen ? "color-mix(in srgb, var(--saffron) 26%, var(--sheet))" : undefined }}>
        <td style={cell}>
          <button
            aria-expanded={isOpen}
            onClick={() => setOpen(!isOpen)}
            style={{ textAlign: "left", fontWeight: 600, minHeight: 24 }}
          >
            {rank}. {profile.title}: {title}
          </button>
          <Box fontSize="13px" color="var(--faint)">
            {shape && `${shape[0].toUpperCase()}${shape.slice(1)}. `}
            {reason}
          </Box>
          {certainty.map(({ weight, words }) => (
            <Box key={words} fontSize="13px" color={weight === "warn" ? "var(--warn)" : "var(--faint)"}>
              {weight === "warn" ? "Mind: " : ""}
              {weight === "warn" ? words : words[0].toUpperCase() + words.slice(1)}.
            </Box>
          ))}
          {roomWords(answer) && <Box fontSize="13px">{roomWords(answer)}</Box>}
          {change && (
            <Box fontSize="13px" display="flex" gap="8px" alignItems="center">
              It fits with {change.words}.
              <PlainButton
                height="24px"
                fontSize="13px"
                onClick={() => edit(`wish: ${change.words}`, (d) => changeWish(d, change.wish))}
              >
                Change the wish
              </PlainButton>
            </Box>
          )}
        </td>
        <td style={value}>
          {answer.room.needed} of {answer.room.had}
        </td>
        <td style={{ ...value, color: works ? "var(--settled)" : "var(--stop)", fontWeight: 700 }}>
          {answer.room.had - answer.room.needed}
        </td>
        <td style={value}>{answer.partCount}</td>
        <td style={value}>{answer.money.toFixed(2)}</td>
        <td style={value}>{answer.pressToReportMs.toFixed(1)}</td>
        <td style={{ ...cell, textAlign: "right" }}>
          <PlainButton height="26px" disabled={isChosen} aria-label={`Take plan ${rank}`} onClick={onChoose}>
            {isChosen ? "Taken" : "Take it"}
          </PlainButton>
        </td>
      </tr>
      {isOpen && (
        <tr>
          <td colSpan={7} style={{ padding: "0 8px 10px 24px" }}>
            <OptionDetail answer={answer} />
          </td>
        </tr>
      )}
    </>
  );
}

function OptionDetail({ answer }: { answer: BriefAnswer }) {
  const parts = addedParts.filter(({ id }) => answer.parts[id]);
  return (
    <Box display="grid" gridTemplateColumns="auto auto" gap="24px" justifyContent="start" fontSize="13px">
      <table aria-label="Pins by kind">
        <thead>
          <tr>
            {["Pins", "needed", "had", "spare"].map((head) => (
              <th key={head} scope="col" style={{ padding: "0 10px 0 0", textAlign: "left", color: "var(--faint)" }}>
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {answer.pins
            .filter(({ needed, kind }) => needed > 0 || kind === "all")
            .map(({ kind, needed, had, spare }) => (
              <tr key={kind}>
                <td style={{ paddingRight: 12 }}>{kind}</td>
                <td>{needed}</td>
                <td>{had}</td>
                <td>{spare}</td>
              </tr>
            ))}
        </tbody>
      </table>
      <Box>
        <Box color="var(--faint)" fontWeight="700">
          Parts added
        </Box>
        {parts.length === 0 && "none"}
        {parts.map(({ id, title }) => (
          <div key={id}>
            {answer.parts[id]} × {title}
          </div>
        ))}
        <div>Reckoned with {answer.language === "compiled" ? "compiled C" : "on-board Python"}.</div>
      </Box>
    </Box>
  );
}
