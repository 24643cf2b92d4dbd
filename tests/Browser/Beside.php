<?php

namespace Tests\Browser;

/** Something that a second process does meanwhile; what it returns, and what it throws, comes back at the end. */
final readonly class Beside
{
    private function __construct(private int $process, private string $file)
    {
    }

    /** @param  \Closure(): list<string>  $do */
    public static function begin(\Closure $do): self
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'heron-beside');
        $process = pcntl_fork();
        if ($process === 0) {
            try {
                Browser::forget();
                $came = $do();
                Browser::closeAll();
            } catch (\Throwable $failed) {
                $came = ["{$failed->getMessage()} at {$failed->getFile()}:{$failed->getLine()}"];
            }
            file_put_contents($file, json_encode($came, JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE));
            // not by the way out of the tests, which is the first process's alone
            posix_kill(posix_getpid(), SIGKILL);
        }

        return new self($process, $file);
    }

    /** @return list<string> */
    public function ended(): array
    {
        pcntl_waitpid($this->process, $status);
        $came = json_decode((string) file_get_contents($this->file), true);
        unlink($this->file);

        return is_array($came) ? $came : ['What was done beside did not end.'];
    }
}
