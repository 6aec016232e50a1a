import Link from "@/ui/kit/Link";

export default function NotFound() {
  return (
    <main className="mx-auto max-w-xl p-8">
      <h1 className="mb-2 text-2xl">There is nothing here</h1>
      <p className="mb-4">
        The address names a bar or a page that does not exist. A retired bar keeps its page; a tag may have changed.
      </p>
      <Link href="/bars" className="btn btn-neutral">
        To the wall of bars
      </Link>
    </main>
  );
}
