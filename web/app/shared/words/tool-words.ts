import type { ToolKind } from '@odontis/core/store/tool';

export const TOOL_WORDS: Readonly<Record<ToolKind, { readonly one: string; readonly many: string }>> = {
  file: { one: 'File', many: 'Files' },
  stone: { one: 'Stone', many: 'Stones' },
  'set-tool': { one: 'Set tool', many: 'Set tools' },
  hammer: { one: 'Hammer', many: 'Hammers' },
  jointer: { one: 'Jointer', many: 'Jointers' },
  gauge: { one: 'Gauge', many: 'Gauges' },
};
