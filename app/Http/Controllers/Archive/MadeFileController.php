<?php

declare(strict_types=1);

namespace App\Http\Controllers\Archive;

use App\Actions\Archive\AskForFile;
use App\Actions\Shared\Refused;
use App\Files\MadeKind;
use App\Files\StoredCopy;
use App\Http\Controllers\Controller;
use App\Models\MadeFile;
use App\Models\Review;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** Files that are made in the background: the report, its supplements, and the whole review. */
final class MadeFileController extends Controller
{
    public function store(Request $request, Review $review, AskForFile $ask): RedirectResponse
    {
        $given = $request->validate(['kind' => ['required', Rule::enum(MadeKind::class)]]);
        $kind = MadeKind::from($given['kind']);
        if ($kind->isArchive()) {
            Gate::authorize('close', $review);
        }
        $at = redirect()->to(route('report', $review).($kind->isArchive() ? '#whole' : '#made'));
        try {
            $ask->execute($this->me($request), $review, $kind);
        } catch (Refused $refused) {
            return $at->withErrors([$kind->isArchive() ? 'archive' : 'kind' => $refused->getMessage()]);
        }

        return $at->with('notice', "“{$kind->label()}” is being made. It stands here when it is done.");
    }

    public function download(Request $request, Review $review, MadeFile $file): BinaryFileResponse
    {
        if ($file->kind->isArchive()) {
            Gate::authorize('close', $review);
        }
        // what blinding let one person see is theirs
        abort_unless($file->kind !== MadeKind::Supplements || $file->user_id === $this->me($request)->id, 404);

        return (new BinaryFileResponse(StoredCopy::path($file->stored), 200, [
            'Content-Type' => $file->kind->mediaType(),
            'X-Content-Type-Options' => 'nosniff',
        ]))->setContentDisposition('attachment', $file->name);
    }
}
