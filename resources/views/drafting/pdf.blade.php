<details class="small">
    <summary>Add its PDF</summary>
    <form method="post" enctype="multipart/form-data" class="draft-line" action="{{ route('drafts.pdf', [$review, $draft, $paper]) }}">@csrf
        <label for="pdf-{{ $paper->id }}">PDF of {{ $paper->called() }}</label>
        <input class="small" type="file" accept="application/pdf,.pdf" required id="pdf-{{ $paper->id }}" name="file">
        <button class="button">Add and read it</button>
    </form>
</details>
