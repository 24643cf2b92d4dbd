<?php

declare(strict_types=1);

namespace App\Console\Care;

use App\Access\CommonPasswords;
use App\Models\User;
use App\Notices\PlainLetter;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Facades\Password;
use Illuminate\Support\Str;

/** How the first person comes in; everybody else is invited. */
final class AddPerson extends Command
{
    protected $signature = 'heron:person {name} {email} {--password= : at least 12 characters; without it a link to choose one is sent}';

    protected $description = 'Add a person who can sign in and start reviews';

    public function handle(): int
    {
        $email = mb_strtolower(trim($this->text('email')));
        $password = $this->option('password');
        $password = is_string($password) ? $password : null;
        if (
            filter_var($email, FILTER_VALIDATE_EMAIL) === false ||
            User::query()
                ->whereRaw('lower(email) = ?', [$email])
                ->exists()
        ) {
            $this->error("“{$email}” is no address, or is taken.");

            return 2;
        }
        if ($password !== null && (mb_strlen($password) < 12 || CommonPasswords::isCommon($password))) {
            $this->error('The password needs at least 12 characters, and must not be a common one.');

            return 2;
        }
        $user = User::query()->create([
            'name' => $this->text('name'),
            'email' => $email,
            'password' => $password ?? Str::random(40),
        ]);
        if ($password === null) {
            $link = route('password.reset', ['token' => Password::createToken($user), 'email' => $email]);
            if (config('mail.default') === 'post-room' && config('heron.demo') !== true) {
                $this->line("No mail is sent from this copy. Hand this link on, within an hour: {$link}");
            }
            Mail::to($email)->send(
                new PlainLetter('Your account at Wary Heron', [
                    "Hello {$user->name},",
                    'An account was made for you. Choose a password within an hour:',
                    $link,
                ]),
            );
        }
        $this->info("Added {$user->name}.");

        return self::SUCCESS;
    }

    private function text(string $argument): string
    {
        $given = $this->argument($argument);

        return is_string($given) ? $given : '';
    }
}
