<x-problem-page title="Not possible at the moment">
    <p>{{ $exception->getMessage() ?: 'Work is being done on this copy of Wary Heron. Try again in a few minutes; nothing is lost.' }}</p>
</x-problem-page>
