<x-page title="Start a review">
    <div class="narrow">
        <section class="sheet">
            <header class="sheet-head">
                <h1>Start a review</h1>
            </header>
            <form class="sheet-body" method="post" action="{{ route('reviews.store') }}">
                @csrf
                <x-field name="title" label="Short title" help="Stands on every page; can be changed later." maxlength="200" required
                    autofocus />
                <x-field name="question" label="Question" help="What do you want to know? A first wording will do.">
                    <textarea class="input" id="question" name="question" rows="3" maxlength="2000">{{ old('question') }}</textarea>
                </x-field>
                <button class="button button-go">Start the review</button>
            </form>
        </section>
    </div>
</x-page>
