<?php

declare(strict_types=1);

namespace App\Http\Controllers\Team;

use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Notices\NoticeKind;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** What one has been told of. */
final class NoticeController extends Controller
{
    private const SHOWN = 100;

    public function index(Request $request): View
    {
        return view('team.notices', ['notices' => $this->me($request)->notifications()->limit(self::SHOWN)->get()]);
    }

    /** Marks one as read, or all, and goes where it leads. */
    public function read(Request $request): RedirectResponse
    {
        $id = Input::text($request, 'notice');
        $unread = $this->me($request)->unreadNotifications();
        $one =
            $id === ''
                ? null
                : $this->me($request)
                    ->notifications()
                    ->where('id', preg_match('/^[0-9a-f-]{36}$/', $id) === 1 ? $id : null)
                    ->first();
        $id === '' ? $unread->update(['read_at' => now()]) : $one?->markAsRead();

        return redirect()->to($one === null ? route('notices') : (string) $one->getAttribute('data')['url']);
    }

    public function change(Request $request): RedirectResponse
    {
        $unwanted = [];
        foreach (['app', 'mail'] as $way) {
            foreach (NoticeKind::cases() as $kind) {
                if (! $request->boolean("wanted.{$way}.{$kind->value}")) {
                    $unwanted[$way][] = $kind->value;
                }
            }
        }
        $this->me($request)->update(['unwanted_notices' => $unwanted]);

        return redirect()->route('account')->with('notice', 'You are told of these from now on.');
    }
}
