#!/usr/bin/env node
import "../dist/lumbit.mjs";
