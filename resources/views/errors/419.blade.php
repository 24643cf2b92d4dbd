<x-problem-page title="This page had been open for too long">
    <p>It was not done. Go back: what you typed is still in the form. Reload the page if pressing again brings you here.</p>
</x-problem-page>
