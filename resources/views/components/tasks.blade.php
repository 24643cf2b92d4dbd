{{-- Work in the background, seen live: a row for what goes on, one line for all that is over. --}}
@props(['running' => false, 'review' => ''])
<section class="no-print" x-data="tasks" data-running="{{ $running ? 1 : 0 }}" data-review="{{ $review }}"
    aria-label="Work in the background">
    <template x-for="task in live" x-bind:key="task.id">
        <div class="task">
            <a x-bind:href="task.url" x-text="task.name"></a>
            <span x-text="task.words"></span>
            <span class="quiet" x-text="task.message"></span>
            <progress x-bind:max="task.whole" x-bind:value="task.done" x-bind:aria-label="task.title"></progress>
            <span class="task-end"><button type="button" class="button button-plain" x-on:click="cancel(task.id)">Cancel</button></span>
        </div>
    </template>
    <div class="task" x-show="hasOver" x-cloak role="status">
        <a x-bind:href="latest.url" x-text="latest.name" x-on:click="seen"></a>
        <span x-text="latest.words"></span>
        <span class="quiet" x-text="latest.message"></span>
        <span class="task-end">
            <button type="button" class="button button-plain" x-show="hasMore" x-on:click="unfold" x-bind:aria-expanded="unfolded"
                x-text="moreWords"></button>
            <button type="button" class="button button-plain" x-on:click="seen" x-text="awayWords"></button>
        </span>
    </div>
    <template x-for="task in shownBelow" x-bind:key="task.id">
        <div class="task task-below"><a x-bind:href="task.url" x-text="task.name"></a> <span x-text="task.words"></span> <span
                class="quiet" x-text="task.message"></span></div>
    </template>
</section>
