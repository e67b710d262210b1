import { formatHex, formatHex8, parse } from "culori";
import { useState } from "react";
import {
  Button,
  ColorArea,
  ColorField,
  ColorPicker,
  ColorSlider,
  ColorThumb,
  Dialog,
  DialogTrigger,
  Input,
  Label,
  Popover,
  parseColor,
  SliderTrack,
} from "react-aria-components";
import { Contrast } from "./contrast.tsx";

const color = /#[0-9a-f]{3,8}\b|(?:rgb|hsl|hwb|lab|lch|oklab|oklch|color)a?\([^()]*\)/gi;

/** The colors in a color or gradient, each to be picked. */
export default function Colors({
  label,
  text,
  onDrag,
  onChange,
}: {
  label: string;
  text: string;
  onDrag(text: string): void;
  onChange(text: string): void;
}) {
  const found = [...text.matchAll(color)];
  const plain = found.length === 0 && parse(text) ? [{ 0: text, index: 0 }] : [];
  return [...found, ...plain].map(({ 0: one, index }, number) => (
    <Pick
      key={index}
      label={found.length > 1 ? `${label}, color ${number + 1}` : `${label}, color`}
      color={one}
      onDrag={(next) => onDrag(text.slice(0, index) + next + text.slice(index + one.length))}
      onChange={(next) => onChange(text.slice(0, index) + next + text.slice(index + one.length))}
    />
  ));
}

function Pick({
  label,
  color,
  onDrag,
  onChange,
}: {
  label: string;
  color: string;
  onDrag(color: string): void;
  onChange(color: string): void;
}) {
  const known = parse(color);
  const [open, setOpen] = useState(false);
  const hex = known && ((known.alpha ?? 1) < 1 ? formatHex8(known) : formatHex(known));
  if (!hex) return null;
  return (
    <DialogTrigger
      isOpen={open}
      onOpenChange={(now) => {
        setOpen(now);
        if (!now) onChange(color);
      }}
    >
      <Button className="swatch" aria-label={label} style={{ background: color }} />
      <Popover placement="left top">
        <Dialog className="pick" aria-label={label}>
          <ColorPicker
            value={parseColor(hex).toFormat("hsba")}
            onChange={(next) =>
              onDrag(next.toString(next.getChannelValue("alpha") < 1 ? "hexa" : "hex").toLowerCase())
            }
          >
            <ColorArea colorSpace="hsb" xChannel="saturation" yChannel="brightness">
              <ColorThumb />
            </ColorArea>
            <ColorSlider colorSpace="hsb" channel="hue">
              <Label>Hue</Label>
              <SliderTrack>
                <ColorThumb />
              </SliderTrack>
            </ColorSlider>
            <ColorSlider colorSpace="hsb" channel="alpha">
              <Label>Opacity</Label>
              <SliderTrack>
                <ColorThumb />
              </SliderTrack>
            </ColorSlider>
            <ColorField>
              <Label>Hex</Label>
              <Input />
            </ColorField>
          </ColorPicker>
          <Contrast color={color} />
        </Dialog>
      </Popover>
    </DialogTrigger>
  );
}
