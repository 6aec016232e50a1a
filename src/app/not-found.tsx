import Link from "@/ui/kit/Link";

export default function NotFound() {
  return (
    <main className="mx-auto max-w-xl p-8">
      <h1 className="mb-2 text-2xl">Page not found</h1>
      <p className="mb-4">No bar or page has this address. A retired bar keeps its page; a tag may have changed.</p>
      <Link href="/bars" className="btn btn-neutral">
        Show bars
      </Link>
    </main>
  );
}
