{{-- Which group of the review an arm of the study is. --}}
@if ($of->kind === App\Models\StudyPart::ARM && $groups->isNotEmpty())
    <select class="input" name="arm" aria-label="Which group of the review it is">
        <option value="">which group?</option>
        @foreach ($groups as $group)
            <option value="{{ $group->id }}" @selected($part?->arm_id === $group->id)>{{ $group->name }}</option>
        @endforeach
    </select>
@endif
