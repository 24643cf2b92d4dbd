<x-problem-page title="This address is not a page">
    <p>It takes what a form sends and cannot be opened by itself. Nothing was changed.</p>
</x-problem-page>
