<x-problem-page title="You are not signed in">
    <p>Sign in and go back: what was saved is still there.</p>
</x-problem-page>
