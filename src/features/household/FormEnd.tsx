import Button from '@mui/material/Button';

/** The end of a small form: kept, or left as it was. */
export function FormEnd({ pending, onDone }: { pending: boolean; onDone: () => void }) {
  return (
    <div className="spread">
      <Button type="submit" variant="contained" disabled={pending}>
        Keep it
      </Button>
      <Button variant="text" onClick={onDone}>
        Never mind
      </Button>
    </div>
  );
}
