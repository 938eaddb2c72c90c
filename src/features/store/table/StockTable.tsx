'use client';

import { figure, figureDay } from '@/ui/figure';
import { byCode } from '@/core/stock/code';
import { DataGrid, type GridColDef } from '@mui/x-data-grid';
import { Link } from '@/ui/Link';
import { useRouter } from 'next/navigation';
import { useHotkeys } from 'react-hotkeys-hook';
import { countOf } from '@/core/quantity/count-words';
import { pageNonce } from '@/ui/nonce';
import { useShortcutsOn } from '@/ui/shortcuts';
import { useUnits } from '@/ui/units';
import type { TableView } from '../queries';
import styles from './table.module.css';

type Row = TableView['packs'][number];

/** Every pack in rows and columns: to be sorted, narrowed down, and taken along as CSV. */
export function StockTable({ packs }: TableView) {
  const { inMass } = useUnits();
  const router = useRouter();
  const [on] = useShortcutsOn();
  useHotkeys('l', () => router.push('/store'), { enabled: on });
  const columns: GridColDef<Row>[] = [
    {
      field: 'code',
      headerName: 'Pack',
      width: 90,
      sortComparator: byCode,
      renderCell: ({ value }) => <Link href={`/store?pack=${String(value)}`}>{String(value)}</Link>,
    },
    { field: 'whose', headerName: 'For', width: 120 },
    { field: 'recipeName', headerName: 'Recipe', flex: 1, minWidth: 160 },
    { field: 'protein', headerName: 'Protein', width: 100, valueGetter: (_, row) => row.protein.word },
    { field: 'placeName', headerName: 'Place', width: 110 },
    {
      field: 'grams',
      headerName: 'Holds',
      type: 'number',
      width: 100,
      valueFormatter: (value: number) => inMass(value),
      renderCell: ({ row, formattedValue }) => (
        <span {...figure('pack grams', row.code, row.grams)}>{String(formattedValue)}</span>
      ),
    },
    {
      field: 'kcal',
      headerName: 'kcal',
      type: 'number',
      width: 90,
      valueFormatter: (value: number) => Math.round(value),
      renderCell: ({ row, formattedValue }) => (
        <span {...figure('pack kcal', row.code, row.kcal)}>{String(formattedValue)}</span>
      ),
    },
    { field: 'packedOn', headerName: 'Packed', width: 110 },
    {
      field: 'useBy',
      headerName: 'Use by',
      width: 110,
      renderCell: ({ row, formattedValue }) => (
        <span {...figureDay('use by', row.code, row.useBy)}>{String(formattedValue ?? '')}</span>
      ),
    },
    { field: 'until', headerName: 'In words', width: 170 },
    { field: 'notes', headerName: 'Marks', width: 200, valueGetter: (_, row) => row.notes.join(', ') },
  ];
  return (
    <div className={`page ${styles.table}`}>
      <div className="titleRow">
        <h1>{countOf(packs.length, 'pack')} in store</h1>
        <p className="soft">
          <Link href="/store" aria-keyshortcuts={on ? 'l' : undefined}>
            as it lies there
          </Link>{' '}
          ·{' '}
          <a href="/api/stock/packs" download>
            all of it as CSV
          </a>{' '}
          ·{' '}
          <a href="/api/stock/movements" download>
            all movements as CSV
          </a>{' '}
          · <Link href="/store/file">a table in again</Link>
        </p>
      </div>
      <DataGrid
        nonce={pageNonce()}
        rows={packs}
        columns={columns}
        getRowId={(row) => row.holdingId}
        density="compact"
        showToolbar
        disableRowSelectionOnClick
        label="Packs in store"
        initialState={{
          sorting: { sortModel: [{ field: 'useBy', sort: 'asc' }] },
          columns: { columnVisibilityModel: { until: false } },
          pagination: { paginationModel: { pageSize: 100 } },
        }}
        pageSizeOptions={[25, 100]}
        slotProps={{ toolbar: { csvOptions: { fileName: 'packs' }, printOptions: { disableToolbarButton: true } } }}
      />
    </div>
  );
}
