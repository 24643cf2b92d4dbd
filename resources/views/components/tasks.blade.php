{{-- Work in the background, one row each, seen live; finished rows stay until they are dismissed. --}}
@props(['running' => false])
<section class="no-print" x-data="tasks" data-running="{{ $running ? 1 : 0 }}" aria-label="Work in the background" aria-live="polite">
    <template x-for="task in tasks" x-bind:key="task.id">
        <div class="task">
            <a x-bind:href="task.url" x-text="task.title"></a>
            <span x-text="task.words"></span>
            <span class="quiet" x-text="task.message"></span>
            <progress x-show="task.live" x-bind:max="task.whole" x-bind:value="task.done" x-bind:aria-label="task.title"></progress>
            <span class="task-end">
                <button type="button" class="button button-plain" x-show="task.live" x-on:click="cancel(task.id)">Cancel</button>
                <button type="button" class="button button-plain" x-show="task.over" x-on:click="seen(task.id)">Dismiss</button>
            </span>
        </div>
    </template>
</section>
