import Alert from '@mui/material/Alert';
import type { Problem } from '@/core/problem';

/** Problems at the head of a form: those that belong to no field shown in it. */
export function Problems({ problems }: { problems: readonly Problem[] }) {
  if (problems.length === 0) return null;
  return (
    <Alert severity="error" variant="filled" icon={false}>
      {problems.map((problem) => (
        <p key={problem.message}>{problem.message}</p>
      ))}
    </Alert>
  );
}
