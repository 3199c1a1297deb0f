import { create } from 'zustand';

/** An edge of a flat piece. */
export interface EdgeRef {
  pieceId: string;
  edgeId: string;
}

/** A line of one of the part's lists, such as a section or a tube. */
export interface RowRef {
  field: string;
  index: number;
}

/** What is selected: one thing, the same at every station and in the address. */
export interface Selection {
  partId: string;
  /** Parts selected besides, to be changed together. */
  alsoPartIds: string[];
  /** Details of the part; several are changed together. */
  featureIds: string[];
  edge: EdgeRef | undefined;
  row: RowRef | undefined;
  circuitId: string;
  stepId: string;
}

const nothing: Omit<Selection, 'partId'> = {
  alsoPartIds: [],
  featureIds: [],
  edge: undefined,
  row: undefined,
  circuitId: '',
  stepId: '',
};

export const useSelected = create<Selection>()((): Selection => ({ partId: '', ...nothing }));

/** Another part, and nothing of it yet. */
export function selectPart(partId: string): void {
  const { partId: before, stepId } = useSelected.getState();
  useSelected.setState(partId === before ? { alsoPartIds: [] } : { ...nothing, stepId, partId });
}

/** One more part, or one less, beside the one that is shown. */
export function selectPartToo(id: string): void {
  const { partId, alsoPartIds } = useSelected.getState();
  if (partId === '' || id === partId) return selectPart(id);
  useSelected.setState({ alsoPartIds: toggled(alsoPartIds, id) });
}

const toggled = (ids: readonly string[], id: string): string[] =>
  ids.includes(id) ? ids.filter((i) => i !== id) : [...ids, id];

/** A detail of a part; none when it is the one already. */
export function selectFeature(partId: string, featureId: string): void {
  selectPart(partId);
  useSelected.setState({ featureIds: [featureId], row: undefined });
}

/** One more detail, or one less. */
export function selectFeatureToo(featureId: string): void {
  useSelected.setState(({ featureIds }) => ({ featureIds: toggled(featureIds, featureId) }));
}

export const selectEdge = (edge: EdgeRef | undefined): void => useSelected.setState({ edge });
export const selectRow = (row: RowRef | undefined): void => useSelected.setState({ row, featureIds: [] });
export const selectCircuit = (circuitId: string): void => useSelected.setState({ circuitId });
/** A step, and the part it is done on. */
export const selectStep = (stepId: string, partId?: string): void =>
  useSelected.setState({
    stepId,
    ...(partId !== undefined && { partId, alsoPartIds: [], featureIds: [], row: undefined }),
  });

/** One up from what is selected: from a detail, a line or an edge to its part, from several parts to one. */
export function selectUp(): boolean {
  const { featureIds, row, edge, circuitId, alsoPartIds } = useSelected.getState();
  if (featureIds.length > 0) useSelected.setState({ featureIds: [] });
  else if (row) useSelected.setState({ row: undefined });
  else if (edge) useSelected.setState({ edge: undefined });
  else if (circuitId) useSelected.setState({ circuitId: '' });
  else if (alsoPartIds.length > 0) useSelected.setState({ alsoPartIds: [] });
  else return false;
  return true;
}

/** How a selection is written in an address, and read from one. */
export const inAddress: Record<
  string,
  { write: (s: Selection) => string; read: (text: string) => Partial<Selection> }
> = {
  part: {
    write: (s) => [s.partId, ...s.alsoPartIds].filter(Boolean).join(','),
    read: (text) => {
      const [partId = '', ...alsoPartIds] = text.split(',');
      return { partId, alsoPartIds };
    },
  },
  detail: {
    write: (s) => s.featureIds.join(','),
    read: (text) => ({ featureIds: text.split(',') }),
  },
  row: {
    write: ({ row }) => (row ? `${row.field},${row.index + 1}` : ''),
    read: (text) => {
      const [field = '', number = ''] = text.split(',');
      const index = Number(number) - 1;
      return Number.isInteger(index) && index >= 0 ? { row: { field, index } } : {};
    },
  },
  edge: {
    write: ({ edge }) => (edge ? `${edge.pieceId},${edge.edgeId}` : ''),
    read: (text) => {
      const [pieceId = '', edgeId = ''] = text.split(',');
      return { edge: { pieceId, edgeId } };
    },
  },
  circuit: { write: (s) => s.circuitId, read: (circuitId) => ({ circuitId }) },
  step: { write: (s) => s.stepId, read: (stepId) => ({ stepId }) },
};
