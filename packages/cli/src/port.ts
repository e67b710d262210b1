import { InvalidArgumentError } from "commander";

/** Reads a port. */
export function parsePort(text: string): number {
  const port = text.trim() === "" ? Number.NaN : Number(text);
  if (!Number.isInteger(port) || port < 0 || port > 65_535)
    throw new InvalidArgumentError("A port is a whole number from 0 to 65535.");
  return port;
}
