<?php

declare(strict_types=1);

namespace App\Http\Controllers\Report;

use App\Actions\Report\HearReader;
use App\Actions\Shared\Refused;
use App\Files\StoredAnswer;
use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Models\FullText;
use App\Models\ReadingLink;
use App\Models\ReportVersion;
use App\Models\Review;
use App\Queries\Report\Composed\Readable;
use App\Queries\Report\Composed\ReadableDecisions;
use App\View\Report\ReportFile;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Hash;
use Illuminate\Validation\Rule;
use Symfony\Component\HttpFoundation\Response;

/** What outsiders read by an address they were given: the report as it was kept last, and what it rests on. */
final class ReadingController extends Controller
{
    private const COMMENT = ['name' => ['required', 'string', 'max:100'], 'body' => ['required', 'string', 'max:4000']];

    public function show(Request $request, string $token): View
    {
        $link = $this->link($token);
        if (! $this->mayRead($request, $link)) {
            return view('reading.password', ['token' => $token]);
        }
        $version = $this->version($link);
        ReadingLink::query()->where('review_id', $link->review_id)->whereKey($link->id)->increment('visits');

        return view('reading.report', [
            'token' => $token,
            'version' => $version,
            'headings' => $link->with_comments ? Readable::headings($version) : [],
            'isHeard' => $link->review->closed_at === null,
            'said' => $link->with_comments ? HearReader::of($link)->orderBy('id')->get() : null,
            'parts' => self::parts($link->review, $version),
        ]);
    }

    /** @return array<string, string> a version never changes, so that what it reads like does not either */
    private static function parts(Review $review, ReportVersion $version): array
    {
        return Cache::rememberForever(
            "reading with keys {$version->id}",
            fn (): array => get_object_vars(ReportFile::ofVersion($review, $version)->parts()),
        );
    }

    public function searches(Request $request, string $token): View
    {
        $link = $this->read($request, $token);

        return view('reading.searches', [
            'token' => $token,
            'runs' => Readable::runs($link->review),
            'sources' => Readable::sources($link->review),
        ]);
    }

    public function decisions(Request $request, string $token): View
    {
        $link = $this->read($request, $token);

        $stages = ReadableDecisions::stages($link->review);
        $given = $request->validate([
            'stage' => ['nullable', Rule::in($stages->pluck('id'))],
            'page' => ['nullable', 'integer', 'min:1', 'max:10000'],
        ]);
        $stage = $stages->firstWhere('id', $given['stage'] ?? $link->review->lastStage()->id) ?? abort(404);
        $decisions = new ReadableDecisions($stage);
        $shown = $decisions->page($page = (int) ($given['page'] ?? 1));

        return view('reading.decisions', [
            'token' => $token,
            'stages' => $stages,
            'stage' => $stage,
            'page' => $page,
            'decided' => $shown,
            'deciders' => $link->with_names ? $decisions->deciders($shown) : null,
            'papers' => $link->with_texts ? Readable::papers($link->review) : [],
        ]);
    }

    /** The paper of an included study, where the team lets it out. As data, never as a page of ours. */
    public function paper(Request $request, string $token, string $paper): Response
    {
        $link = $this->read($request, $token);
        abort_unless($link->with_texts && in_array($paper, Readable::papers($link->review), true), 404);
        $copy = FullText::query()->where('review_id', $link->review_id)->findOrFail($paper);

        return StoredAnswer::of($request, $copy->path(), $copy->headers());
    }

    /** What a reader says. Those who read by the same address see it too. */
    public function comment(Request $request, string $token, HearReader $hear): RedirectResponse
    {
        $link = $this->read($request, $token);
        abort_unless($link->with_comments && $link->review->closed_at === null, 404);
        $version = $this->version($link);
        $about = ['nullable', 'string', Rule::in(Readable::headings($version))];
        $given = $request->validate([...self::COMMENT, 'about' => $about]);
        $back = redirect()->to(route('reading', $token).'#comments');
        try {
            $hear->execute($link, $version, trim($given['name']), $given['about'] ?? '', trim($given['body']));
        } catch (Refused $refused) {
            return $back->withInput()->withErrors(['body' => $refused->getMessage()]);
        }

        return $back->with('notice', 'Your comment is with the team.');
    }

    public function unlock(Request $request, string $token): RedirectResponse
    {
        $link = $this->link($token);
        if ($link->password_hash !== null && ! Hash::check(Input::text($request, 'password'), $link->password_hash)) {
            return redirect()->route('reading', $token)->withErrors(['password' => 'That is not the password of this address.']);
        }
        $request->session()->put("reading {$link->id}", true);

        return redirect()->route('reading', $token);
    }

    /** One that leads nowhere is as if it had never been. */
    private function link(string $token): ReadingLink
    {
        return ReadingLink::open($token) ?? abort(404);
    }

    private function mayRead(Request $request, ReadingLink $link): bool
    {
        return $link->password_hash === null || $request->session()->get("reading {$link->id}") === true;
    }

    private function read(Request $request, string $token): ReadingLink
    {
        $link = $this->link($token);
        abort_unless($this->mayRead($request, $link), 404);

        return $link;
    }

    private function version(ReadingLink $link): ReportVersion
    {
        return ReportVersion::query()->where('review_id', $link->review_id)->latest('id')->first() ?? abort(404);
    }
}
