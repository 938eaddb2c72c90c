import { Link } from '@/ui/Link';

export default function NotFound() {
  return (
    <div className="page stack">
      <h1>There is nothing here</h1>
      <p>The address names something that Hodman does not keep, or keeps no longer.</p>
      <p>
        <Link href="/">Back to today</Link>
      </p>
    </div>
  );
}
