<x-problem-page title="Not for your role here">
    <p>{{ $exception->getMessage() && $exception->getMessage() !== 'This action is unauthorized.'
        ? $exception->getMessage() : 'Your role does not let you open this.' }}
    </p>
    <p>A lead of the review can change your role under Question, Team. Nothing was changed.</p>
</x-problem-page>
