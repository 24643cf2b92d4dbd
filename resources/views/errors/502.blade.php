<x-problem-page title="A database elsewhere did not answer">
    <p>{{ $exception->getMessage() ?: 'What was asked of it did not come.' }}</p>
    <p>Nothing was changed. Try again in a moment.</p>
</x-problem-page>
