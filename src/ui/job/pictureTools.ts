export const PICTURE_TOOLS = ['look', 'mark', 'lengths', 'measure'] as const;
export type PictureTool = (typeof PICTURE_TOOLS)[number];
