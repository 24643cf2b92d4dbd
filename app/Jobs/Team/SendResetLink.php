<?php

declare(strict_types=1);

namespace App\Jobs\Team;

use App\Models\User;
use App\Notices\PlainLetter;
use Illuminate\Contracts\Queue\ShouldBeEncrypted;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Facades\Password;

/** Sends a link for a new password if anybody here has the address; whoever asked cannot tell from how long it took. */
final class SendResetLink implements ShouldBeEncrypted, ShouldQueue
{
    use Dispatchable, Queueable;

    public int $tries = 3;

    public function __construct(private readonly string $email)
    {
    }

    public function handle(): void
    {
        $user = User::withAddress($this->email);
        if ($user === null) {
            return;
        }
        $token = Password::createToken($user);
        Mail::to($user->email)->send(
            new PlainLetter('A new password for Wary Heron', [
                "Hello {$user->name},",
                'Somebody, we hope you, asked for a new password. To choose one, open this address within an hour:',
                route('password.reset', ['token' => $token, 'email' => $user->email]),
                'If it was not you, leave this unanswered; your password stays as it is.',
            ]),
        );
    }
}
