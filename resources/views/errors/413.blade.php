<x-problem-page title="Too large to take in">
    <p>What was sent is larger than {{ config('heron.largest_upload_mb') }} MB in all. Send fewer files at once, or a packed one. Nothing of
        it was kept.</p>
</x-problem-page>
