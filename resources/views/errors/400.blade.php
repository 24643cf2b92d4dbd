<x-problem-page title="This address cannot be read">
    <p>{{ $exception->getMessage() ?: 'Something in it is not as this page expects it.' }}</p>
    <p>Nothing was changed.</p>
</x-problem-page>
