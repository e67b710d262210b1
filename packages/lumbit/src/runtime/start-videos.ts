import { playVideos } from "./videos.ts";

playVideos([document]);
