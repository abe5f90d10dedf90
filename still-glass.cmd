@echo off
rem Still Glass on Windows: finds a JDK and hands over to launcher\Start.java, which builds what changed and runs.
setlocal
set "STILL_GLASS_ROOT=%~dp0."
set "jdk=%STILL_GLASS_JDK%"
if not "%jdk%"=="" if not exist "%jdk%\bin\java.exe" (
  echo still-glass: STILL_GLASS_JDK is %jdk%, and there is no JDK: set it to the folder of one, or unset it. 1>&2
  exit /b 2
)
if "%jdk%"=="" set "jdk=%JAVA_HOME%"
if not "%jdk%"=="" if exist "%jdk%\bin\java.exe" goto found
set "jdk="
for /f "delims=" %%j in ('where java 2^>nul') do if not defined jdk set "jdk=%%~dpj.."
if not defined jdk (
  echo still-glass: no JDK 25 found. Install one ^(any vendor^) or set STILL_GLASS_JDK to its folder. 1>&2
  exit /b 2
)
:found
"%jdk%\bin\java" "%~dp0launcher\Start.java" %*
exit /b %errorlevel%
