<x-problem-page title="Too many at once">
    <p>{{ \App\Http\Problems::wait($exception) }}</p>
</x-problem-page>
