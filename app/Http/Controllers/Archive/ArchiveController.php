<?php

declare(strict_types=1);

namespace App\Http\Controllers\Archive;

use App\Files\In\FileName;
use App\Files\StoredCopy;
use App\Http\Controllers\Controller;
use App\Jobs\Archive\ReadArchive;
use App\Models\BroughtArchive;
use App\Tasks\TaskState;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;

/** Archives that are brought in: any person may, and leads what comes of it. */
final class ArchiveController extends Controller
{
    public function create(Request $request): View
    {
        return view('archive.bring-in', [
            'brought' => BroughtArchive::query()
                ->where('user_id', $this->me($request)->id)
                ->with('brought')
                ->orderByDesc('id')
                ->limit(10)
                ->get(),
        ]);
    }

    public function store(Request $request): RedirectResponse
    {
        $request->validate(['file' => ['required', 'file', 'max:204800']]);
        $me = $this->me($request);
        $file = $request->file('file');
        if (! $file instanceof UploadedFile) {
            throw ValidationException::withMessages(['file' => 'Choose one file.']);
        }
        if (BroughtArchive::query()->where('user_id', $me->id)->whereIn('state', TaskState::underWay())->exists()) {
            throw ValidationException::withMessages(['file' => 'One of yours is being read. Bring the next when it is done.']);
        }
        $id = strtolower((string) Str::ulid());
        StoredCopy::keep($file->getPathname(), "brought/{$id}");
        BroughtArchive::query()->create([
            'id' => $id,
            'user_id' => $me->id,
            'name' => Str::limit(FileName::of($file->getClientOriginalName()), 190, ''),
            'stored' => "brought/{$id}",
            'state' => TaskState::Queued,
        ]);
        ReadArchive::dispatch($id);

        return redirect()->route('archives.create');
    }
}
